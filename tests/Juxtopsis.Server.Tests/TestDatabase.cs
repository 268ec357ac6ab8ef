using Npgsql;

namespace Juxtopsis.Server.Tests;

/// <summary>A throw-away database on the PostgreSQL that ./dev test names.</summary>
public sealed class TestDatabase : IAsyncDisposable
{
    private const string Variable = "JUXTOPSIS_TEST_DB";

    private TestDatabase(string name) => Name = name;

    public string Name { get; }

    public string Connection => ConnectionTo(Name);

    /// <summary>A connection string to a server that is not there.</summary>
    public static string Nowhere => "Host=127.0.0.1;Port=9;Database=none;Username=none;Password=none;Timeout=1";

    /// <summary>A name that no other test uses; the database is not made yet.</summary>
    public static TestDatabase Unmade() => new($"jux_test_{Guid.NewGuid():N}");

    public static async Task<TestDatabase> CreateAsync()
    {
        var database = Unmade();
        await database.MakeAsync();
        return database;
    }

    /// <summary>The same database in the name of somebody who is not known to the server before <see cref="MakeOwnerAsync"/>.</summary>
    public string OwnersConnection => new NpgsqlConnectionStringBuilder(Connection) { Username = Name, Password = Name }.ConnectionString;

    public Task MakeOwnerAsync() => AdminAsync($"create role {Name} login createdb password '{Name}'");

    public Task MakeAsync() => AdminAsync($"create database {Name}");

    public async ValueTask DisposeAsync()
    {
        // Whoever made a role may not end its sessions before belonging to it.
        await AdminAsync($"do $$ begin if exists (select from pg_roles where rolname = '{Name}') then grant {Name} to current_user; end if; end $$");
        for (var left = 50; !await TryDropAsync() && left > 0; left--)
        {
            await Task.Delay(100);
        }

        await AdminAsync($"drop role if exists {Name}");
    }

    /// <summary>Drops the database with whoever is in it. PostgreSQL's own vacuuming belongs to no role and cannot be ended: it is done in a moment.</summary>
    private async Task<bool> TryDropAsync()
    {
        try
        {
            await AdminAsync($"drop database if exists {Name} with (force)");
            return true;
        }
        catch (PostgresException e) when (e.SqlState == PostgresErrorCodes.InsufficientPrivilege)
        {
            return false;
        }
    }

    private static string ConnectionTo(string database)
    {
        var server = Environment.GetEnvironmentVariable(Variable)
            ?? throw new InvalidOperationException($"{Variable} is not set. Run the tests with ./dev test, or set it to a PostgreSQL where databases may be made.");
        return new NpgsqlConnectionStringBuilder(server) { Database = database, Timeout = 5 }.ConnectionString;
    }

    private static async Task AdminAsync(string sql)
    {
        await using var connection = new NpgsqlConnection(ConnectionTo("postgres"));
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand(sql, connection);
        await command.ExecuteNonQueryAsync();
    }
}
