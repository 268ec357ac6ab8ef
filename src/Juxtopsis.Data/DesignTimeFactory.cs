using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace Juxtopsis.Data;

/// <summary>Lets <c>dotnet ef migrations add</c> make a context; it never connects.</summary>
internal sealed class DesignTimeFactory : IDesignTimeDbContextFactory<JuxtopsisDb>
{
    public JuxtopsisDb CreateDbContext(string[] args)
    {
        var options = new DbContextOptionsBuilder<JuxtopsisDb>();
        JuxtopsisDb.Configure(options, "Host=127.0.0.1;Database=none");
        return new JuxtopsisDb(options.Options, new NoCrew());
    }

    private sealed class NoCrew : ICrewScope
    {
        public Guid CrewId => Guid.Empty;
    }
}
