using System.Text.Json;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Core.Chains;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Chains;

/// <summary>From the wire's chains to the core's, and back.</summary>
public static class ChainMapping
{
    private const int MaxMounts = 60;
    private const int MaxModeLength = 300;

    /// <summary>What an assembly is on the wire.</summary>
    /// <param name="assembly">An assembly.</param>
    /// <param name="request">The request that it answers.</param>
    /// <returns>The answer.</returns>
    public static AssembleResponse ToWire(this Assembly assembly, AssembleRequest request)
    {
        ArgumentNullException.ThrowIfNull(assembly);
        ArgumentNullException.ThrowIfNull(request);
        var layout = assembly.Layout;
        return new(
            assembly.Rig is { } rig ? new(rig) { Name = request.Rig?.Name ?? "", SubjectDistanceMm = request.Rig?.SubjectDistanceMm } : null,
            assembly.Works,
            [.. assembly.Findings.Select(f => f.ToWire())],
            [.. layout.Spans.Select(s => new SpanOutput(s.Place, s.FromMm, s.ToMm, s.DiameterMm, s.Assumed))],
            new(layout.WeightG, layout.WeightUnknown, layout.LengthMm, layout.LengthKnown, layout.Purchase, layout.HirePerDay, layout.Insured),
            assembly.RateInstead,
            assembly.LikeFormat?.InSentence ?? "");
    }

    /// <summary>A rig of parts, as it is stored: its numbers, and the parts that they came from.</summary>
    /// <param name="name">What a person calls it.</param>
    /// <param name="parts">The parts, each of revision 1.</param>
    /// <param name="mounts">The mounts that they name.</param>
    /// <param name="setting">Mode, focal length, aperture.</param>
    /// <returns>The rig.</returns>
    /// <exception cref="ArgumentException">Camera, mode or lens are missing.</exception>
    public static RigInput ToRig(string name, IReadOnlyList<GearItem> parts, IReadOnlyList<GearItem> mounts, ChainSetting setting)
    {
        ArgumentNullException.ThrowIfNull(parts);
        ArgumentNullException.ThrowIfNull(mounts);
        ArgumentNullException.ThrowIfNull(setting);
        var rig = ChainAssembler.Assemble(parts, new MountBook(mounts), setting).Rig ?? throw new ArgumentException("Camera, mode or lens are missing.", nameof(parts));
        return new(rig)
        {
            Name = name,
            Chain = new()
            {
                Parts = [.. parts.Select(p => new ChainPartInput(GearJson.ToElement(p), 1))],
                Mounts = [.. mounts.Select(GearJson.ToElement)],
                Mode = setting.Mode,
            },
        };
    }

    /// <summary>How a chain is set.</summary>
    /// <param name="request">A checked request.</param>
    /// <returns>The setting.</returns>
    public static ChainSetting ToSetting(this AssembleRequest request)
    {
        ArgumentNullException.ThrowIfNull(request);
        return new()
        {
            Mode = request.Chain.Mode,
            Set = request.Rig?.Rig,
            DeliveryAspect = request.DeliveryAspect,
            TimelineFps = request.TimelineFps,
        };
    }

    /// <summary>The gear of a chain.</summary>
    /// <param name="chain">A checked chain.</param>
    /// <returns>Its parts and its mounts.</returns>
    public static (IReadOnlyList<GearItem> Parts, MountBook Mounts) ToCore(this ChainInput chain)
    {
        ArgumentNullException.ThrowIfNull(chain);
        var none = new List<DiagnosticOutput>();
        return (
            [.. chain.Parts.Select(p => GearJson.Read(p.Item, "", none)!)],
            new MountBook(chain.Mounts.Select(m => GearJson.Read(m, "", none)!)));
    }

    internal static void Check(FieldChecks checks, AssembleRequest request, LengthUnit unit, string prefix = "")
    {
        checks.InRange(prefix + "deliveryAspect", request.DeliveryAspect, Quantity.DeliveryAspect);
        checks.InRange(prefix + "timelineFps", request.TimelineFps, Quantity.Fps);
        if (request.Rig is { } rig)
        {
            EvaluateChecks.CheckRig(checks, rig, unit, prefix + "rig.");
        }

        Check(checks, request.Chain, prefix + "chain.");
    }

    internal static void Check(FieldChecks checks, ChainInput chain, string prefix)
    {
        checks.Text(prefix + "mode", chain.Mode, "The recording mode", MaxModeLength);
        if (chain.Parts.Count is 0 or > ChainInput.MaxParts)
        {
            checks.Add(
                prefix + "parts", $"{chain.Parts.Count} parts", $"1 to {ChainInput.MaxParts}", $"A chain has 1 to {ChainInput.MaxParts} parts, not {chain.Parts.Count}.",
                chain.Parts.Count == 0 ? "Start with a camera." : "Take some out.");
        }

        if (chain.Mounts is null || chain.Mounts.Count > MaxMounts)
        {
            checks.Add(prefix + "mounts", $"{chain.Mounts?.Count} mounts", $"up to {MaxMounts}", "A chain names fewer mounts than that.", "Give those that its parts name.");
            return;
        }

        for (var i = 0; i < Math.Min(chain.Parts.Count, ChainInput.MaxParts); i++)
        {
            if (chain.Parts[i] is null)
            {
                checks.Add($"{prefix}parts[{i}]", "null", "a part", "A part is null.", "Give it, or take it out.");
                continue;
            }

            CheckItem(checks, chain.Parts[i].Item, $"{prefix}parts[{i}].item.");
        }

        for (var i = 0; i < chain.Mounts.Count; i++)
        {
            CheckItem(checks, chain.Mounts[i], $"{prefix}mounts[{i}].");
        }
    }

    private static void CheckItem(FieldChecks checks, JsonElement item, string prefix)
    {
        var errors = new List<DiagnosticOutput>();
        GearJson.Read(item, prefix, errors);
        foreach (var error in errors)
        {
            checks.Add(error.About, error.Value, error.Limit, error.Message, error.Fix, error.Code);
        }
    }
}
