using System.Globalization;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Problems;

/// <summary>Collects what is wrong with a request, field by field.</summary>
internal sealed class FieldChecks
{
    private readonly List<FieldError> errors = [];

    public IReadOnlyList<FieldError> Errors => errors;

    public void InRange(string field, double? value, Quantity quantity)
    {
        if (value is { } number && !quantity.Accepts(number))
        {
            var given = number.ToString("G6", CultureInfo.InvariantCulture);
            Add(
                field,
                given,
                quantity.Range,
                $"{quantity.Name} {(double.IsFinite(number) ? quantity.Say(number) : given)} is outside {quantity.Range}.",
                $"Give a value from {quantity.Range}.");
        }
    }

    public void Text(string field, string? value, string name, int maxLength)
    {
        if (value is null)
        {
            Add(field, "null", $"up to {maxLength} characters", $"{name} is null.", "Leave it out or give a text.");
        }
        else if (value.Length > maxLength)
        {
            Add(
                field,
                string.Concat(value.AsSpan(0, 20), "…"),
                $"up to {maxLength} characters",
                $"{name} has {value.Length} characters; at most {maxLength} fit.",
                "Shorten it.");
        }
        else if (value.Any(char.IsControl))
        {
            Add(field, "", "no control characters", $"{name} holds a control character.", "Type it again in one line.");
        }
    }

    public void Add(string field, string value, string limit, string message, string mend) =>
        errors.Add(new FieldError(field, value, limit, message, mend));
}
