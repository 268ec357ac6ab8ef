using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Juxtopsis.Data.Migrations
{
    /// <summary>
    /// Names in the field's standard English: comparisons from version 2 to 3, productions from 1 to 2, and gear. Tables stay as they are.
    /// </summary>
    public partial class FieldNames : Migration
    {
        private static readonly (string Before, string Now)[] Gear =
        [
            ("nearestFocusMm", "minimumFocusDistanceMm"), ("ownNearestFocusMm", "ownMinimumFocusDistanceMm"), ("largestRatio", "maximumMagnification"), ("holding", "ownership"),
        ];

        private static readonly (string Before, string Now)[] Lens = [("nearestFocusMm", "minimumFocusDistanceMm"), ("largestMagnification", "maximumMagnification")];

        private static readonly (string Before, string Now)[] Scene = [("place", "backdrop")];

        private static readonly (string Before, string Now)[] Production = [("places", "locations")];

        private static readonly (string Before, string Now)[] Shot = [("placeId", "locationId"), ("carriage", "cameraSupport"), ("wish", "criterion")];

        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder) => Rename(migrationBuilder, names => names, comparison: (2, 3), production: (1, 2));

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            Rename(migrationBuilder, names => [.. names.Select(n => (n.Now, n.Before))], comparison: (3, 2), production: (2, 1));

        private static void Rename(
            MigrationBuilder migrationBuilder, Func<(string Before, string Now)[], (string From, string To)[]> way, (int From, int To) comparison, (int From, int To) production)
        {
            string Renamed(string json, (string, string)[] names) => way(names).Aggregate(json, (inner, name) => $"pg_temp.renamed({inner}, '{name.From}', '{name.To}')");
            migrationBuilder.Sql(
                """
                create or replace function pg_temp.renamed(object jsonb, before text, now text) returns jsonb language sql immutable as
                $$ select case when object ? before then (object - before) || jsonb_build_object(now, object -> before) else object end $$;
                """);
            migrationBuilder.Sql(
                $$"""
                update comparisons set document = jsonb_set(jsonb_set(jsonb_set(
                  document,
                  '{schemaVersion}', '{{comparison.To}}'),
                  '{setup,scene}', {{Renamed("document #> '{setup,scene}'", Scene)}}),
                  '{setup,rigs}', (
                    select jsonb_agg(
                      case when jsonb_typeof(rig -> 'lens') = 'object' then jsonb_set(rig, '{lens}', {{Renamed("rig -> 'lens'", Lens)}}) else rig end
                      order by place)
                    from jsonb_array_elements(document #> '{setup,rigs}') with ordinality as row(rig, place)))
                where document ->> 'schemaVersion' = '{{comparison.From}}';
                """);
            migrationBuilder.Sql(
                $$"""
                update productions set document = jsonb_set({{Renamed("document", Production)}}, '{schemaVersion}', '{{production.To}}')
                  || jsonb_build_object('shots', coalesce((
                    select jsonb_agg({{Renamed("shot", Shot)}} order by place)
                    from jsonb_array_elements(document -> 'shots') with ordinality as row(shot, place)), '[]'))
                where document ->> 'schemaVersion' = '{{production.From}}';
                """);
            migrationBuilder.Sql($"update gear set document = {Renamed("document", Gear)};");
        }
    }
}
