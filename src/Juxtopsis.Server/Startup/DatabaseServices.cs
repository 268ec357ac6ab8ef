using Juxtopsis.Data;
using Juxtopsis.Data.Model;

namespace Juxtopsis.Server.Startup;

internal static class DatabaseServices
{
    public static void AddDatabase(this WebApplicationBuilder builder)
    {
        var connection = builder.Configuration.GetConnectionString("Juxtopsis") ?? "Host=127.0.0.1;Database=juxtopsis";
        builder.Services.AddDbContext<JuxtopsisDb>(options => JuxtopsisDb.Configure(options, connection), optionsLifetime: ServiceLifetime.Singleton);
        builder.Services.AddSingleton<DatabaseStartup>();
        builder.Services.AddScoped<ICrewScope, RequestCrew>();
        builder.Services.AddHostedService(services => services.GetRequiredService<DatabaseStartup>());
    }
}
