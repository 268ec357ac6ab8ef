using System.Text;

namespace Juxtopsis.Server.Tables;

/// <summary>A file that somebody sends, JSON or a table: by what stands in it, whatever it is called.</summary>
internal static class FileBody
{
    /// <summary>True when it is an object of JSON.</summary>
    public static bool IsJson(ReadOnlySpan<byte> body) => body.TrimStart(" \t\r\n\uFEFF"u8) is [(byte)'{', ..];

    /// <summary>Its text: in UTF-8, or as the mark at its beginning says. Reading on throws where it is neither, rather than take letters for others.</summary>
    public static TextReader Text(ReadOnlyMemory<byte> body) => new StreamReader(new MemoryStream(body.ToArray()), new UTF8Encoding(encoderShouldEmitUTF8Identifier: false, throwOnInvalidBytes: true));
}
