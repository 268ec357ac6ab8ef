using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Fields;

/// <summary>What must hold between fields.</summary>
/// <typeparam name="T">What has the fields.</typeparam>
/// <param name="of">What has the fields.</param>
/// <param name="unit">The person's unit for distances.</param>
/// <returns>What is wrong; null when nothing is.</returns>
public delegate Diagnostic? FieldRule<T>(in T of, LengthUnit unit);

/// <summary>All fields of a rig, of a scene or of the conventions, with what must hold between them.</summary>
/// <typeparam name="T">What has the fields.</typeparam>
/// <param name="untouched">The same with every default.</param>
/// <param name="fields">The fields, in the order in which they are written.</param>
/// <param name="rules">What must hold between them.</param>
public sealed class FieldSet<T>(T untouched, IReadOnlyList<Field<T>> fields, params IReadOnlyList<FieldRule<T>> rules)
{
    private readonly T untouched = untouched;

    /// <summary>The fields.</summary>
    public IReadOnlyList<Field<T>> Fields { get; } = fields;

    /// <summary>What has every default; what is required is zero there.</summary>
    public ref readonly T Untouched => ref untouched;

    /// <summary>Checks ranges and rules.</summary>
    /// <param name="of">What has the fields.</param>
    /// <param name="unit">The person's unit for distances.</param>
    /// <returns>What is wrong, about paths from here; empty when nothing is. Rows are checked where they are read.</returns>
    public IReadOnlyList<Diagnostic> Check(in T of, LengthUnit unit)
    {
        List<Diagnostic>? found = null;
        foreach (var field in Fields)
        {
            if (field is NumberField<T> number && number.Get(of) is { } value && !number.Quantity.Accepts(value))
            {
                (found ??= []).Add(number.Quantity.Refusal(number.Key, value, unit));
            }
        }

        foreach (var rule in rules)
        {
            if (rule(of, unit) is { } wrong)
            {
                (found ??= []).Add(wrong);
            }
        }

        return found ?? (IReadOnlyList<Diagnostic>)[];
    }

    internal static Diagnostic Refused(string about, string value, string limit, string message, string fix, DiagnosticCode code = DiagnosticCode.ValueRefused) =>
        new(code, Severity.Stops, about, value, limit, message, fix);

    /// <summary>Two numbers that only make sense together.</summary>
    internal static FieldRule<T> Together(NumberField<T> first, NumberField<T> second, string message) => (in of, _) =>
        first.Get(of) is null == second.Get(of) is null ? null
        : Refused((first.Get(of) is null ? first : second).Key, "", "both or neither", message, "Give both, or leave both out.", DiagnosticCode.FieldNeedsAnother);

    /// <summary>Two numbers of which the second may not be smaller.</summary>
    internal static FieldRule<T> InOrder(NumberField<T> least, NumberField<T> most, string message, string fix) => (in of, _) =>
        most.Get(of) is { } to && least.Get(of) is { } from && to < from
            ? Refused(most.Key, LengthWords.Number(to), $"{LengthWords.Number(from)} or more", message, fix, DiagnosticCode.FieldsOutOfOrder)
            : null;
}
