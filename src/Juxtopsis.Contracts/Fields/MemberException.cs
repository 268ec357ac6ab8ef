using System.Text.Json;

namespace Juxtopsis.Contracts.Fields;

/// <summary>A member of an object is not as it should be; the serializer adds the path of the object.</summary>
internal sealed class MemberException : JsonException
{
    private MemberException(MemberFault fault, IReadOnlyList<string> members)
        : base($"{fault}: {string.Join(", ", members)}") => (Fault, Members) = (fault, members);

    /// <summary>What is wrong.</summary>
    public MemberFault Fault { get; }

    /// <summary>Paths of the members, from the object on.</summary>
    public IReadOnlyList<string> Members { get; }

    public static MemberException Missing(IReadOnlyList<string> members) => new(MemberFault.Missing, members);

    public static MemberException Unknown(string name, string group) => new(MemberFault.Unknown, [group.Length == 0 ? name : $"{group}.{name}"]);

    public static MemberException Twice(string member) => new(MemberFault.Twice, [member]);

    public static MemberException OtherKind(string member) => new(MemberFault.OtherKind, [member]);
}

/// <summary>What may be wrong with a member.</summary>
internal enum MemberFault
{
    /// <summary>It is not there.</summary>
    Missing,

    /// <summary>Nothing is known by that name.</summary>
    Unknown,

    /// <summary>It is there twice.</summary>
    Twice,

    /// <summary>It is of another kind, such as a text for a number.</summary>
    OtherKind,
}
