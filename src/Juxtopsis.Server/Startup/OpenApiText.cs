using Juxtopsis.Contracts.Entry;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Rigs;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Juxtopsis.Server.Startup;

/// <summary>What the OpenAPI document says of itself.</summary>
internal static class OpenApiText
{
    /// <summary>What no address answers, but the core in the browser does: the page's types are made of this document alone.</summary>
    private static readonly Type[] OfTheCore = [typeof(EntryKind), typeof(EntryOutput), typeof(PapersOutput), typeof(SensorFormat), typeof(WordsOutput)];

    public static void Describe(OpenApiOptions options)
    {
        FieldSchemas.Add(options);
        options.AddDocumentTransformer(async (document, context, cancellationToken) =>
        {
            document.Info = new OpenApiInfo
            {
                Title = "Juxtopsis",
                Version = "1",
                Description = "Which camera mode, lens, adapter and aperture give the shot, side by side and fairly. "
                    + "Lengths are millimetres, angles degrees, light in stops. Refusals are RFC 9457 problems that name each field.",
            };
            // The address depends on who asks, and would make the generated types differ from machine to machine.
            document.Servers?.Clear();
            foreach (var type in OfTheCore)
            {
                document.AddComponent(type.Name, await context.GetOrCreateSchemaAsync(type, null, cancellationToken));
            }
        });
    }
}
