namespace Juxtopsis.Server.Works;

/// <summary>Who writes, as far as a browser says it of itself. It tells people apart in what was before; nothing is allowed by it.</summary>
/// <param name="Id">The identity that the browser gave itself; empty where it gave none.</param>
/// <param name="Name">What its person is called; empty where that was not said.</param>
internal readonly record struct Writer(string Id, string Name)
{
    private const int MostCharacters = 40;

    /// <summary>The header that carries the browser's identity.</summary>
    public const string IdHeader = "Juxtopsis-Writer";

    /// <summary>The header that carries the name, percent-encoded.</summary>
    public const string NameHeader = "Juxtopsis-By";

    /// <summary>Reads who writes; what is too long or no plain text counts as not said.</summary>
    /// <param name="headers">The request's headers.</param>
    public static Writer Of(IHeaderDictionary headers) => new(Plain(headers[IdHeader].ToString()), Plain(Uri.UnescapeDataString(headers[NameHeader].ToString())));

    private static string Plain(string text) => text.Length <= MostCharacters && text.All(c => !char.IsControl(c) && !char.IsSurrogate(c)) ? text.Trim() : "";
}
