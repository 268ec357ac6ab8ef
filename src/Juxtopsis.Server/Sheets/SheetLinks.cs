using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;
using Juxtopsis.Contracts.Sheets;
using Juxtopsis.Data.Model;

namespace Juxtopsis.Server.Sheets;

/// <summary>What opens a sheet, and rows on the wire.</summary>
internal static class SheetLinks
{
    /// <summary>Bytes of chance: 256 bits, which nobody guesses.</summary>
    private const int TokenBytes = 32;

    /// <summary>Makes what opens a link.</summary>
    /// <returns>The token, 43 characters of base64url, and what is stored of it.</returns>
    public static (string Token, byte[] Hash) NewToken()
    {
        var token = Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(TokenBytes));
        return (token, HashOf(token));
    }

    /// <summary>What is stored of a token.</summary>
    /// <param name="token">Anything that somebody sends as one.</param>
    /// <returns>Its SHA-256.</returns>
    public static byte[] HashOf(string token) => SHA256.HashData(Encoding.UTF8.GetBytes(token));

    public static SheetLinkOutput ToOutput(SheetLink link) => new(link.Id, link.For, link.MadeAt, link.EndsAt, link.WithdrawnAt, link.Opened, link.OpenedAt);

    public static SheetAnswerOutput ToOutput(SheetAnswer answer) => new(answer.Id, answer.LinkId, answer.ShotId, answer.OptionId, answer.Verdict, answer.Remark, answer.Name, answer.At);
}
