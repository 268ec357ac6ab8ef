using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Juxtopsis.Data.Migrations
{
    /// <summary>
    /// Stored comparisons from version 1 of the document to version 2: one number for reducers and extenders becomes a row of them.
    /// Tables stay as they are.
    /// </summary>
    public partial class OpticsInARow : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql(
                """
                update comparisons set document = jsonb_set(
                  jsonb_set(document, '{schemaVersion}', '2'),
                  '{setup,rigs}',
                  (select jsonb_agg(
                     (rig - 'opticsMagnification') || case
                       when coalesce((rig->>'opticsMagnification')::numeric, 1) = 1 then '{}'
                       else jsonb_build_object('optics', jsonb_build_array(rig->'opticsMagnification')) end
                     order by place)
                   from jsonb_array_elements(document #> '{setup,rigs}') with ordinality as row(rig, place)))
                where document->>'schemaVersion' = '1';
                """);
        }

        /// <summary>Back to version 1: a row becomes its product. What version 1 does not know is dropped.</summary>
        /// <param name="migrationBuilder">Takes the statements.</param>
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql(
                """
                update comparisons set document = jsonb_set(
                  jsonb_set(document, '{schemaVersion}', '1'),
                  '{setup,rigs}',
                  (select jsonb_agg(
                     (rig - 'optics') || jsonb_build_object(
                       'opticsMagnification',
                       coalesce((select exp(sum(ln(k::numeric))) from jsonb_array_elements_text(rig->'optics') as k), 1))
                     order by place)
                   from jsonb_array_elements(document #> '{setup,rigs}') with ordinality as row(rig, place)))
                where document->>'schemaVersion' = '2';
                """);
        }
    }
}
