using Juxtopsis.Contracts;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Data;
using NetArchTest.Rules;

namespace Juxtopsis.Server.Tests;

/// <summary>Arrows point one way: Core ← Contracts ← Data ← Server.</summary>
public sealed class ArchitectureTests
{
    [Fact]
    public void The_core_depends_on_nothing() => Assert.Equal(
        [],

        // netstandard is of the coverage that is measured meanwhile.
        typeof(Rig).Assembly.GetReferencedAssemblies().Select(a => a.Name!).Where(n => n != "netstandard").Where(n => !n.StartsWith("System.", StringComparison.Ordinal) || n.StartsWith("System.Text.Json", StringComparison.Ordinal)));

    [Fact]
    public void The_core_does_no_input_or_output() => Holds(Types.InAssembly(typeof(Rig).Assembly)
        .ShouldNot().HaveDependencyOnAny("System.IO", "System.Net", "System.Data", "System.Console", "System.Threading"));

    [Fact]
    public void Contracts_know_the_core_only() => Holds(Types.InAssembly(typeof(CoreDoor).Assembly)
        .ShouldNot().HaveDependencyOnAny("Juxtopsis.Data", "Juxtopsis.Server", "Microsoft.EntityFrameworkCore", "Microsoft.AspNetCore"));

    [Fact]
    public void Data_does_not_know_the_server() => Holds(Types.InAssembly(typeof(JuxtopsisDb).Assembly)
        .ShouldNot().HaveDependencyOnAny("Juxtopsis.Server", "Microsoft.AspNetCore"));

    private static void Holds(ConditionList rule)
    {
        var result = rule.GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }
}
