using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Gear;

/// <summary>What an item must satisfy beyond the range of each field: what is needed is there, and fields do not contradict each other.</summary>
public static class GearChecks
{
    private const double Half = 0.5;

    /// <summary>Checks an item, its modes included.</summary>
    /// <param name="item">An item whose fields are each in range.</param>
    /// <returns>What is wrong; empty when nothing is.</returns>
    public static IReadOnlyList<Diagnostic> Check(GearItem item)
    {
        ArgumentNullException.ThrowIfNull(item);
        var faults = new List<Diagnostic>();
        foreach (var field in GearKinds.Of(item.Kind).Fields.Where(f => f.Required && item.Value(f) is null or System.Collections.ICollection { Count: 0 }))
        {
            faults.Add(Of(DiagnosticCode.FieldMissing, field, $"{field.Label} is missing.", field is ModesField ? "Give at least one." : "Give it."));
        }

        InOrder(item, faults, LensFields.Short, LensFields.Long, "The long end of the zoom is shorter than the short end.", "Give the shorter one first; leave the long end empty for a prime.");
        InOrder(item, faults, LensFields.Widest, LensFields.Narrowest, "The narrowest aperture is wider than the widest.", "A narrower aperture has the larger f-number.");
        InOrder(item, faults, LensFields.WidestLong, LensFields.Narrowest, "The narrowest aperture is wider than the widest.", "A narrower aperture has the larger f-number.");
        InOrder(item, faults, FrontFields.Stops, FrontFields.StopsMost, "The strongest setting is weaker than the weakest.", "Give the weaker one first.");
        Needs(item, faults, LensFields.WidestLong, LensFields.Widest, "The widest aperture at the long end needs that at the short end beside it.");
        Needs(item, faults, BodyFields.SensorWidth, BodyFields.SensorHeight, "The sensor has one side only.");
        Needs(item, faults, BodyFields.SensorHeight, BodyFields.SensorWidth, "The sensor has one side only.");
        Needs(item, faults, ModeFields.PixelsAcross, ModeFields.PixelsUp, "Recorded pixels have one side only.");
        Needs(item, faults, ModeFields.PixelsUp, ModeFields.PixelsAcross, "Recorded pixels have one side only.");
        CheckLens(item, faults);
        CheckModes(item, faults);
        if (item.Kind == GearKind.Mount && item.Name.Contains(';', StringComparison.Ordinal) || item.Name.Length > Texts.MaxMountName && item.Kind == GearKind.Mount)
        {
            faults.Add(Of(DiagnosticCode.TextRefused, CommonFields.Name, "The name of a mount has a semicolon, or more than 60 characters.", "Give it a short name without a semicolon."));
        }

        return faults;
    }

    /// <summary>The field that a fault is about.</summary>
    /// <param name="item">The item that was checked.</param>
    /// <param name="fault">One of its faults.</param>
    /// <returns>The field.</returns>
    public static GearField FieldOf(GearItem item, Diagnostic fault)
    {
        ArgumentNullException.ThrowIfNull(item);
        ArgumentNullException.ThrowIfNull(fault);
        return GearKinds.Of(item.Kind).Fields.First(f => f.Key == fault.About);
    }

    private static Diagnostic Of(DiagnosticCode code, GearField field, string message, string fix) => new(code, Severity.Stops, message, fix) { About = field.Key };

    private static void CheckLens(GearItem item, List<Diagnostic> faults)
    {
        if (item.Get(LensFields.NoFilters) == true && item.Get(LensFields.FilterThread) is { } thread)
        {
            faults.Add(Of(
                DiagnosticCode.FieldsContradict, LensFields.FilterThread, $"A front that bulges takes no filter, and yet there is a thread of {LengthWords.Millimetres(thread)}.", "Leave one of the two out."));
        }

        foreach (var field in (ReadOnlySpan<PointsField>)[LensFields.WidestAlong, LensFields.Measured])
        {
            var (from, to) = (item.Get(LensFields.Short), item.Get(LensFields.Long) ?? item.Get(LensFields.Short));
            if (item.Get(field).Any(p => p.At < from || p.At > to))
            {
                faults.Add(Of(DiagnosticCode.ValueOutOfRange, field, $"{field.Label}: a focal length is outside the zoom.", "Give focal lengths as marked, between the ends."));
            }
        }
    }

    private static void CheckModes(GearItem item, List<Diagnostic> faults)
    {
        foreach (var mode in item.Get(BodyFields.Modes))
        {
            faults.AddRange(Check(mode).Select(f => Of(f.Code, BodyFields.Modes, $"Mode “{mode.Name}”: {f.Message}", f.Fix)));
            if (mode.Get(ModeFields.AreaWidth) > item.Get(BodyFields.SensorWidth) + Half || mode.Get(ModeFields.AreaHeight) > item.Get(BodyFields.SensorHeight) + Half)
            {
                faults.Add(Of(DiagnosticCode.FieldsContradict, BodyFields.Modes, $"Mode “{mode.Name}” uses more than the whole sensor.", "Mend the mode's area or the sensor's size."));
            }
        }
    }

    private static void InOrder(GearItem item, List<Diagnostic> faults, NumberField least, NumberField most, string message, string fix)
    {
        if (item.Get(most) < item.Get(least))
        {
            faults.Add(Of(DiagnosticCode.FieldsOutOfOrder, most, message, fix));
        }
    }

    private static void Needs(GearItem item, List<Diagnostic> faults, NumberField given, NumberField needed, string message)
    {
        if (item.Get(given) is not null && item.Get(needed) is null)
        {
            faults.Add(Of(DiagnosticCode.FieldNeedsAnother, needed, message, $"Give {needed.Label.ToLowerInvariant()} too, or leave both out."));
        }
    }
}
