using Juxtopsis.Contracts.Problems;

namespace Juxtopsis.Contracts.Works;

/// <summary>What every piece of work must satisfy to be stored.</summary>
internal static class WorkChecks
{
    private const int MaxName = 120;

    public static void CheckName(FieldChecks checks, string name, string what)
    {
        checks.Text("name", name, "The name", MaxName);
        if (string.IsNullOrWhiteSpace(name))
        {
            checks.Add("name", "", $"1 to {MaxName} characters", $"{what} has no name.", "Give it one.");
        }
    }

    public static void CheckVersion(FieldChecks checks, int version, int current)
    {
        if (version != current)
        {
            checks.Add(
                "document.schemaVersion",
                $"{version}",
                $"{current}",
                $"Version {version} of the document is not known here; {current} is.",
                "Reload the page: it may be older or newer than the server.");
        }
    }
}
