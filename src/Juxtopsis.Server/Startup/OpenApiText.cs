using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Juxtopsis.Server.Startup;

/// <summary>What the OpenAPI document says of itself.</summary>
internal static class OpenApiText
{
    public static void Describe(OpenApiOptions options)
    {
        FieldSchemas.Add(options);
        options.AddDocumentTransformer((document, _, _) =>
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
            return Task.CompletedTask;
        });
    }
}
