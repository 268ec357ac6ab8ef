using System.Globalization;
using System.Text.Json.Nodes;
using Juxtopsis.Contracts.Chains;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Measuring;
using Juxtopsis.Core.Fields;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Juxtopsis.Server.Startup;

/// <summary>
/// Schemas of rig, scene and conventions, from the definitions of their fields; <c>x-field</c> says how a page shows and reads each.
/// </summary>
internal static class FieldSchemas
{
    private const string Extension = "x-field";

    public static void Add(OpenApiOptions options)
    {
        var usual = options.CreateSchemaReferenceId;
        options.CreateSchemaReferenceId = type => type.Type == typeof(Conventions) ? "ConventionsInput"
            : type.Type == typeof(SceneInput) || type.Type == typeof(RigInput) ? type.Type.Name
            : type.Type == typeof(TestSetup) ? "TestSetupInput"
            : usual(type);
        options.AddDocumentTransformer((document, _, _) =>
        {
            // A list leaves out what its elements are where a converter reads them.
            if (document.Components?.Schemas?[nameof(EvaluateRequest)].Properties?["rigs"] is OpenApiSchema rigs)
            {
                rigs.Items = new OpenApiSchemaReference(nameof(RigInput), document);
            }

            return Task.CompletedTask;
        });
        options.AddSchemaTransformer(async (schema, context, cancellation) =>
        {
            var type = context.JsonTypeInfo.Type;
            if (type == typeof(Conventions))
            {
                await Fill(schema, context, ConventionFields.All, "The choices that figures depend on.");
            }
            else if (type == typeof(TestSetup))
            {
                await Fill(schema, context, TestFields.Setup, "What stays as it is during a test.");
            }
            else if (type == typeof(MeasureRequest))
            {
                const string id = "TestReadingInput";
                var reading = new OpenApiSchema();
                await Fill(reading, context, TestFields.Reading, "One reading of a test.");
                context.Document!.AddComponent(id, reading);
                ((OpenApiSchema)schema.Properties!["readings"]).Items = new OpenApiSchemaReference(id, context.Document);
            }
            else if (type == typeof(SceneInput))
            {
                await Fill(schema, context, SceneFields.All, "Where things stand, how bright it is and what is delivered.");
                schema.Properties!["photo"] = Or(await context.GetOrCreateSchemaAsync(typeof(PhotoInput), null, cancellation), "PhotoInput", context, "A photograph of the place; null when there is none.");
            }
            else if (type == typeof(RigInput))
            {
                await Fill(schema, context, RigFields.All, "A rig: its numbers, and the parts that they came from where it has some.");
                schema.Properties!["id"] = new OpenApiSchema
                {
                    Type = JsonSchemaType.String,
                    MaxLength = RigInput.MaxIdLength,
                    Description = "Its identity among the rigs that it stands beside; stored rigs have one.",
                };
                schema.Properties["name"] = new OpenApiSchema { Type = JsonSchemaType.String, MaxLength = RigInput.MaxNameLength, Description = "What a person calls it; may be empty." };
                schema.Properties[SceneFields.OwnDistance.Key] = Number(SceneFields.OwnDistance, null);
                schema.Properties["chain"] = Or(
                    await context.GetOrCreateSchemaAsync(typeof(ChainInput), null, cancellation), "ChainInput", context,
                    "The parts that the numbers came from; null for a rig of bare numbers. Evaluation goes by the numbers alone.");
            }
        });
    }

    private static IOpenApiSchema Or(OpenApiSchema made, string id, OpenApiSchemaTransformerContext context, string description)
    {
        context.Document!.AddComponent(id, made);
        return new OpenApiSchema { OneOf = [new OpenApiSchema { Type = JsonSchemaType.Null }, new OpenApiSchemaReference(id, context.Document)], Description = description };
    }

    private static async Task Fill<T>(OpenApiSchema schema, OpenApiSchemaTransformerContext context, FieldSet<T> fields, string description)
    {
        schema.Type = JsonSchemaType.Object;
        schema.Description = description;
        schema.AdditionalPropertiesAllowed = false;
        schema.Properties = new Dictionary<string, IOpenApiSchema>();
        schema.Required = new HashSet<string>();
        foreach (var field in fields.Fields)
        {
            var into = schema;
            if (field.Group.Length > 0)
            {
                if (!schema.Properties.TryGetValue(field.Group, out var group))
                {
                    schema.Properties[field.Group] = group = new OpenApiSchema { Type = JsonSchemaType.Object, AdditionalPropertiesAllowed = false, Properties = new Dictionary<string, IOpenApiSchema>(), Required = new HashSet<string>() };
                }

                into = (OpenApiSchema)group;
            }

            var name = field.Key[(field.Group.Length == 0 ? 0 : field.Group.Length + 1)..];
            into.Properties![name] = await Of(field, context, fields.Untouched);
            if (field.Required)
            {
                into.Required!.Add(name);
            }
        }
    }

    private static async Task<IOpenApiSchema> Of<T>(Field<T> field, OpenApiSchemaTransformerContext context, T untouched)
    {
        switch (field)
        {
            case NumberField<T> number:
                return Number(number, number.Get(untouched));
            case ChoiceField<T> choice:
                var members = await context.GetOrCreateSchemaAsync(choice.Enumeration);
                var id = choice.Enumeration.Name;
                context.Document!.AddComponent(id, members);
                return Described(new OpenApiSchema { AllOf = [new OpenApiSchemaReference(id, context.Document)] }, field, JsonValue.Create(choice.Choices[choice.Get(untouched)]));
            case FlagField<T> flag:
                return Described(new OpenApiSchema { Type = JsonSchemaType.Boolean }, field, JsonValue.Create(flag.Get(untouched)));
            case RowsField<T> rows:
                return Described(
                    new OpenApiSchema { Type = JsonSchemaType.Array | (field.MayBeUnknown ? JsonSchemaType.Null : default), MaxItems = rows.Most, Items = Row(rows.Columns) }, field, null);
            default:
                throw new InvalidOperationException($"{field.Key} is of a kind that has no schema.");
        }
    }

    private static OpenApiSchema Row(IReadOnlyList<FieldColumn> columns)
    {
        if (columns[0].Name.Length == 0)
        {
            return Ranged(columns[0].Quantity, columns[0].MayBeUnknown);
        }

        var row = new OpenApiSchema
        {
            Type = JsonSchemaType.Object | (columns.All(c => c.MayBeUnknown) ? JsonSchemaType.Null : default),
            AdditionalPropertiesAllowed = false,
            Properties = new Dictionary<string, IOpenApiSchema>(),
            Required = columns.Where(c => !c.MayBeUnknown).Select(c => c.Name).ToHashSet(),
        };
        foreach (var column in columns)
        {
            var schema = Ranged(column.Quantity, column.MayBeUnknown);
            schema.Description = column.Help;
            row.Properties[column.Name] = schema;
        }

        return row;
    }

    private static OpenApiSchema Number<T>(NumberField<T> field, double? untouched)
    {
        var schema = Described(Ranged(field.Quantity, field.MayBeUnknown), field, field.Required || field.MayBeUnknown || untouched is null ? null : JsonValue.Create(untouched.Value));
        var page = Page(schema);
        page["kind"] = char.ToLowerInvariant(field.Kind.ToString()[0]) + field.Kind.ToString()[1..];
        page["unit"] = field.Quantity.Unit;
        page["isDistance"] = field.Quantity.IsDistance;
        return schema;
    }

    private static OpenApiSchema Ranged(Quantity quantity, bool mayBeUnknown) => new()
    {
        Type = JsonSchemaType.Number | (mayBeUnknown ? JsonSchemaType.Null : default),
        Format = "double",
        Minimum = quantity.Min.ToString("R", CultureInfo.InvariantCulture),
        Maximum = quantity.Max.ToString("R", CultureInfo.InvariantCulture),
    };

    private static OpenApiSchema Described<T>(OpenApiSchema schema, Field<T> field, JsonNode? usual)
    {
        schema.Description = field.Help;
        schema.Default = usual;
        schema.Extensions = new Dictionary<string, IOpenApiExtension> { [Extension] = new JsonNodeExtension(new JsonObject { ["label"] = field.Label, ["empty"] = usual?.DeepClone() }) };
        return schema;
    }

    private static JsonObject Page(OpenApiSchema schema) => (JsonObject)((JsonNodeExtension)schema.Extensions![Extension]).Node;
}
