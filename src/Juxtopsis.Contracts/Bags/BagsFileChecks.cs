using Juxtopsis.Contracts.Problems;

namespace Juxtopsis.Contracts.Bags;

/// <summary>Refuses a file of bags that is none.</summary>
public static class BagsFileChecks
{
    /// <summary>Checks a file.</summary>
    /// <param name="file">The file.</param>
    /// <returns>The problem; null when its bags can be taken.</returns>
    public static Problem? Check(BagsFile file)
    {
        ArgumentNullException.ThrowIfNull(file);
        var checks = new FieldChecks();
        if (file.Format != BagsFile.Known || file.Version != 1)
        {
            checks.Add("format", $"{file.Format} {file.Version}", $"{BagsFile.Known} 1", "The file is no file of bags, or of a version that is not known here.", "Bring in a file that was taken out of Bags.");
        }

        BagInputChecks.Check(checks, file.Bags, "bags");
        return checks.Errors.Count == 0 ? null : Problem.OfFields(checks.Errors);
    }
}
