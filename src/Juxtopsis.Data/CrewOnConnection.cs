using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace Juxtopsis.Data;

/// <summary>
/// Tells the database, on every connection, on whose behalf it works: row-level security lets only that crew's rows through, whatever
/// a query asks for. A connection that goes back to the pool forgets it.
/// </summary>
internal sealed class CrewOnConnection : DbConnectionInterceptor
{
    public static readonly CrewOnConnection Instance = new();

    public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData)
    {
        if (eventData.Context is JuxtopsisDb db)
        {
            using var command = Tell(connection, db.CrewId);
            command.ExecuteNonQuery();
        }
    }

    public override async Task ConnectionOpenedAsync(DbConnection connection, ConnectionEndEventData eventData, CancellationToken cancellationToken = default)
    {
        if (eventData.Context is JuxtopsisDb db)
        {
            await using var command = Tell(connection, db.CrewId);
            await command.ExecuteNonQueryAsync(cancellationToken);
        }
    }

    private static DbCommand Tell(DbConnection connection, Guid crew)
    {
        var command = connection.CreateCommand();
        command.CommandText = "select set_config(@setting, @crew, false)";
        foreach (var (name, value) in new[] { ("setting", JuxtopsisDb.CrewSetting), ("crew", crew.ToString()) })
        {
            var parameter = command.CreateParameter();
            (parameter.ParameterName, parameter.Value) = (name, value);
            command.Parameters.Add(parameter);
        }

        return command;
    }
}
