using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fields;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Problems;

/// <summary>Collects what is wrong with a request, field by field.</summary>
internal sealed class FieldChecks
{
    private const int MostToldOfName = 80;

    private readonly List<DiagnosticOutput> errors = [];

    public IReadOnlyList<DiagnosticOutput> Errors => errors;

    public void InRange(string field, double? value, Quantity quantity, LengthUnit unit = LengthUnit.Metres)
    {
        if (value is { } number && !quantity.Accepts(number))
        {
            errors.Add(quantity.Refusal(field, number, unit).ToWire());
        }
    }

    /// <summary>All fields of a rig, a scene or conventions.</summary>
    public void All<T>(FieldSet<T> fields, in T of, string prefix, LengthUnit unit) => All(fields.Check(of, unit), prefix);

    /// <summary>What was found already, by path from a prefix.</summary>
    public void All(IReadOnlyList<Diagnostic> found, string prefix) =>
        errors.AddRange(found.Select(wrong => (wrong with { About = prefix + wrong.About }).ToWire()));

    /// <summary>What a check of one of several finds, told with which of them it is.</summary>
    /// <param name="name">What a person calls it; may be empty.</param>
    /// <param name="check">The check.</param>
    public void Of(string? name, Action check)
    {
        var from = errors.Count;
        check();
        for (var i = from; i < errors.Count && !string.IsNullOrWhiteSpace(name); i++)
        {
            errors[i] = errors[i] with { Message = $"{(name.Length > MostToldOfName ? name[..MostToldOfName] : name)}: {errors[i].Message}" };
        }
    }

    /// <summary>A value that must be there.</summary>
    public void Given(string field, double? value, Quantity quantity, LengthUnit unit)
    {
        if (value is null)
        {
            Add(field, "", quantity.Range(unit), $"{quantity.Name} is missing.", $"Give it, for example {quantity.Example}.", DiagnosticCode.FieldMissing);
        }

        InRange(field, value, quantity, unit);
    }

    /// <summary>Two values that only make sense together.</summary>
    public void Both(string prefix, string first, double? one, string second, double? other, string message)
    {
        if (one is null != other is null)
        {
            Add(prefix + (one is null ? first : second), "", "both or neither", message, "Give both, or leave both out.", DiagnosticCode.FieldNeedsAnother);
        }
    }

    /// <summary>Two values of which the second may not be smaller.</summary>
    public void InOrder(string field, double? least, double? most, string message, string fix)
    {
        if (most < least)
        {
            Add(field, LengthWords.Number(most.Value), $"{LengthWords.Number(least.Value)} or more", message, fix, DiagnosticCode.FieldsOutOfOrder);
        }
    }

    /// <summary>A list of which no element is null, which the serializer lets pass.</summary>
    /// <returns>True when there is none.</returns>
    public bool NoNull<T>(string field, IReadOnlyList<T> list)
        where T : class?
    {
        var at = Enumerable.Range(0, list.Count).FirstOrDefault(i => list[i] is null, -1);
        if (at >= 0)
        {
            Add($"{field}[{at}]", "null", "an object", "An element of the list is null.", "Give it, or take it out.", DiagnosticCode.FieldMissing);
        }

        return at < 0;
    }

    public void Text(string field, string? value, string name, int maxLength)
    {
        if (value is null)
        {
            Add(field, "null", $"up to {maxLength} characters", $"{name} is null.", "Leave it out or give a text.", DiagnosticCode.TextRefused);
        }
        else if (value.Length > maxLength)
        {
            Add(
                field,
                string.Concat(value.AsSpan(0, 20), "…"),
                $"up to {maxLength} characters",
                $"{name} has {value.Length} characters; at most {maxLength} fit.",
                "Shorten it.",
                DiagnosticCode.TextRefused);
        }
        else if (value.Any(char.IsControl))
        {
            Add(field, "", "no control characters", $"{name} holds a control character.", "Type it again in one line.", DiagnosticCode.TextRefused);
        }
    }

    public void Add(string field, string value, string limit, string message, string fix, DiagnosticCode code = DiagnosticCode.ValueRefused) =>
        errors.Add(new DiagnosticOutput(field, value, limit, message, fix, code));
}
