using Juxtopsis.Contracts.Comparisons;
using Juxtopsis.Contracts.Diagnostics;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Contracts.Gear;
using Juxtopsis.Contracts.Problems;
using Juxtopsis.Contracts.Productions;
using Juxtopsis.Core.Diagnostics;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Matching;
using Juxtopsis.Core.Matching.Cutting;
using Juxtopsis.Core.Optics;
using Juxtopsis.Core.Quantities;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Contracts.Matching;

/// <summary>Between the core's matching and the wire.</summary>
internal static class MatchMapping
{
    private static readonly Quantity Weight = new("Weight", "", 0, 10, "1");
    private static readonly Quantity Tolerance = new("Tolerance", "", 0, 10, "0.01");

    public static void Check(FieldChecks checks, LookRequest request, LengthUnit unit)
    {
        EvaluateChecks.Check(checks, request.Setup, unit, "setup.");
        Check(checks, request.Aspects, "aspects.");
        CheckBehind(checks, request.AlsoBehindMm, "alsoBehindMm");
        checks.InRange("most", request.Most, Quantity.Count with { Name = "Most", Min = 1, Max = 200 });
        Check(checks, request);
    }

    private static void CheckBehind(FieldChecks checks, IReadOnlyList<double?> behind, string field)
    {
        ProductionChecks.CheckCount(checks, field, behind.Count, Look.MostDistances - 1, "further distances");
        for (var i = 0; i < Math.Min(behind.Count, Look.MostDistances); i++)
        {
            checks.InRange($"{field}[{i}]", behind[i], Quantity.BehindSubject with { Min = 1 });
        }
    }

    private static void Check(FieldChecks checks, AspectsInput aspects, string prefix)
    {
        foreach (var aspect in Enum.GetValues<LookAspect>())
        {
            var field = prefix + char.ToLowerInvariant(aspect.ToString()[0]) + aspect.ToString()[1..];
            checks.InRange($"{field}.weight", Of(aspects, aspect)?.Weight, Weight);
            checks.InRange($"{field}.tolerance", Of(aspects, aspect)?.Tolerance, Tolerance);
        }
    }

    public static void Check(FieldChecks checks, CutRequest request, LengthUnit unit)
    {
        EvaluateChecks.Check(checks, request.Setup, unit, "setup.");
        Check(checks, request);
        var (cameras, agree) = (request.Cameras, request.Agree);
        if (cameras.Count is < 2 or > CutSearch.MostCameras || cameras.Any(c => c is null))
        {
            checks.Add("cameras", $"{cameras.Count} cameras", $"2 to {CutSearch.MostCameras}", $"{cameras.Count} cameras were given; 2 to {CutSearch.MostCameras} can be cut together.", "Leave some out, or add one.");
            return;
        }

        for (var i = 0; i < cameras.Count; i++)
        {
            checks.InRange($"cameras[{i}].movesShare", cameras[i].MovesShare, Tolerance with { Name = "Moves" });
            if (cameras[i].Mode is { } mode)
            {
                checks.Text($"cameras[{i}].mode", mode, "The mode", 120);
            }

            if (request.Setup.Rigs.All(r => r?.Id != cameras[i].Rig))
            {
                checks.Add($"cameras[{i}].rig", cameras[i].Rig.Length > 40 ? "" : cameras[i].Rig, "a rig of the setup", "That camera is none of the rigs.", "Name a rig by its identity.");
            }

            if (cameras.Take(i).Any(c => c.Body == cameras[i].Body))
            {
                checks.Add($"cameras[{i}].body", $"{cameras[i].Body}", "each body once", "Two cameras have one body.", "Put another body of the shelf on one of them.");
            }
        }

        if (!cameras.Any(c => c.Rig == Lead(request)))
        {
            checks.Add("setup.yardstick", request.Setup.Yardstick, "one of the cameras", "The camera that leads is none of those that cut together.", "Make one of them the yardstick.");
        }

        Check(checks, agree, "agree.");
    }

    /// <summary>What a comparison keeps of all this.</summary>
    public static void Check(FieldChecks checks, MatchChoice choice, string prefix)
    {
        Check(checks, choice.Aspects, prefix + "aspects.");
        CheckBehind(checks, choice.AlsoBehindMm, prefix + "alsoBehindMm");
        Check(checks, choice.Agree, prefix + "agree.");
        checks.InRange(prefix + "movesShare", choice.MovesShare, Tolerance with { Name = "Moves" });
    }

    private static void Check(FieldChecks checks, CutWishesInput agree, string prefix)
    {
        foreach (var (name, value) in (ReadOnlySpan<(string, double)>)[("blur", agree.Blur), ("sharpZone", agree.SharpZone), ("blurShape", agree.BlurShape), ("light", agree.Light), ("pixels", agree.Pixels)])
        {
            checks.InRange(prefix + name, value, Weight);
        }
    }

    private static void Check(FieldChecks checks, AmongRequest request)
    {
        ProductionChecks.CheckCount(checks, "bag", request.Bag?.Count ?? 0, 5000, "things in the bag");
        ProductionChecks.CheckCount(checks, "leftOut", request.LeftOut.Count, 5000, "things left out");
        checks.InRange("highestIso", request.HighestIso, Quantity.Sensitivity);
    }

    private static AspectInput? Of(AspectsInput aspects, LookAspect aspect) => aspect switch
    {
        LookAspect.Angle => aspects.Angle,
        LookAspect.Framing => aspects.Framing,
        LookAspect.Distance => aspects.Distance,
        LookAspect.BackgroundSize => aspects.BackgroundSize,
        LookAspect.Blur => aspects.Blur,
        LookAspect.BlurShape => aspects.BlurShape,
        LookAspect.SharpZone => aspects.SharpZone,
        _ => aspects.Light,
    };

    private static bool IsSize(LookAspect aspect) => aspect is LookAspect.Angle or LookAspect.Framing or LookAspect.Distance or LookAspect.BackgroundSize;

    public static LookWishes ToCore(this AspectsInput aspects) => Enum.GetValues<LookAspect>().Aggregate(new LookWishes(), (wishes, aspect) => Of(aspects, aspect) is { } wish
        ? wishes.With(aspect, new(wish.Weight, wish.Pinned, IsSize(aspect) ? 2 * PortableMath.Log2(1 + wish.Tolerance) : wish.Tolerance))
        : wishes);

    private static AspectsInput ToWire(LookWishes wishes)
    {
        AspectInput Of(LookAspect aspect) => new()
        {
            Weight = wishes[aspect].Weight,
            Pinned = wishes[aspect].IsPinned,
            Tolerance = IsSize(aspect) ? PortableMath.Exp2(wishes[aspect].ToleranceStops / 2) - 1 : wishes[aspect].ToleranceStops,
        };
        return new()
        {
            Angle = Of(LookAspect.Angle),
            Framing = Of(LookAspect.Framing),
            Distance = Of(LookAspect.Distance),
            BackgroundSize = Of(LookAspect.BackgroundSize),
            Blur = Of(LookAspect.Blur),
            BlurShape = Of(LookAspect.BlurShape),
            SharpZone = Of(LookAspect.SharpZone),
            Light = Of(LookAspect.Light),
        };
    }

    public static FitRules ToRules(this AmongRequest request) => request.Rules.ToCore(request.HighestIso);

    public static Look ToLook(this LookRequest request)
    {
        var rig = request.Setup.Rigs[request.Setup.YardstickIndex()];
        return new(request.Setup.SceneOf(rig), request.Setup.Conventions, rig.Rig, [.. request.AlsoBehindMm.Select(b => b ?? double.PositiveInfinity)]);
    }

    public static LookResponse ToWire(this LookResult result, LookWishes wishes, bool isWhole, IReadOnlyList<MissingGear> missing, LengthUnit unit)
    {
        var (words, fits) = (new LookWords(unit), new FitWords(unit));
        MatchOutput Say(LookMatch match) => match.ToWire(words, fits);
        return new(
            result.Look.Values?.ToWire(result.Look.Report, result.Look.BehindMm),
            [.. result.Look.BehindMm.Select(FitMapping.Finite)],
            [.. LookValues.CurveMm.Select(FitMapping.Finite)],
            ToWire(wishes),
            [.. result.Matches.Select(Say)],
            isWhole && result.Matches.All(m => m.IsProven),
            [.. missing.Select(m => new MissingOutput(words.Say(m), GearJson.ToElement(m.Item), Say(m.Match)))],
            [.. result.Misses.Select(m => new Diagnostic(m.Shortfall.Code, Severity.Stops, $"{m.Pairs} {(m.Pairs == 1 ? "pair" : "pairs")} of body and lens cannot be set so. Nearest {m.Rig.Body.Name}, {m.Rig.Lens.Name}: {fits.Say(m.Shortfall)}", "").ToWire())],
            result.Looked,
            [.. result.Contradictions.Select(c => Told(c, words).ToWire())]);
    }

    private static Diagnostic Told(Contradiction contradiction, LookWords words) => new(contradiction.Code, contradiction.Stops ? Severity.Stops : Severity.Costs, words.Say(contradiction), LookWords.Mend(contradiction));

    private static MatchOutput ToWire(this LookMatch match, LookWords words, FitWords fits) => new(
        FitMapping.ToWire(match.Rig, match.Mode),
        match.Scene.SubjectDistanceMm,
        match.Set.FocalLengthMm,
        match.Set.FNumber,
        match.Report.Light.SensitivityNeededIso,
        match.Set.LowestIso,
        match.Set.RackedFarther,
        match.Rest.Of.ToWire(match.Report, match.Rest.BehindMm),
        ToWire(match.Rest),
        [.. match.Rest.BehindMm.Select(b => match.Rest.At(LookAspect.Blur, b))],
        match.Sum,
        words.Say(match),
        match.Broken,
        match.IsWideOpen,
        match.IsProven,
        match.Tier,
        [.. fits.Against(match.ToFit()).Select(f => f.ToWire())],
        LookWords.Equality(match));

    private static RestOutput[] ToWire(LookRest rest) =>
        [.. Enum.GetValues<LookAspect>().Select(a => new RestOutput(a, rest.Of.Of(a, rest.BehindMm[0]) / rest.To.Of(a, rest.BehindMm[0]) - 1, rest[a]))];

    private static LookOutput ToWire(this LookValues values, in RigReport report, IReadOnlyList<double> behindMm) => new(
        report.Lens.EquivalentFocalLengthMm,
        report.Angle.VerticalDeg,
        values.PupilMm,
        values.FieldHeightMm,
        values.DistanceMm,
        values.SharpMm,
        values.WorkingTNumber,
        values.DiscNarrowing,
        values.DiscCorners,
        [.. behindMm.Select(values.BlurShare)],
        [.. LookValues.CurveMm.Select(values.BlurShare)]);

    public static string Lead(CutRequest request) => request.Setup.Rigs[request.Setup.YardstickIndex()].Id;

    public static CutSearch ToSearch(this CutRequest request, FittingShelf among, double level)
    {
        var lead = request.Setup.Rigs[request.Setup.YardstickIndex()];
        var look = new Look(request.Setup.SceneOf(lead), request.Setup.Conventions, lead.Rig);
        CutCamera[] cameras = [.. request.Cameras.Select(c => CameraOf(request, c))];
        var agree = request.Agree;
        return new(
            among, look.Scene with { DeliveryAspect = look.Report.Sensor.DeliveredAspect }, look.Conventions, cameras, request.Cameras.Select(c => c.Rig).ToList().IndexOf(lead.Id),
            look.Values?.BlurShare(look.BehindMm[0]) ?? 1, new(agree.Blur, agree.SharpZone, agree.BlurShape, agree.Light, agree.Pixels, level), request.ToRules());
    }

    private static CutCamera CameraOf(CutRequest request, CutCameraInput camera)
    {
        var rig = request.Setup.Rigs.First(r => r.Id == camera.Rig);
        var scene = request.Setup.SceneOf(rig);
        var look = new Look(scene, request.Setup.Conventions, rig.Rig);
        return new(camera.Body, look.Values?.FieldHeightMm ?? 0, look.Scene.SubjectDistanceMm) { Mode = camera.Mode, MovesShare = camera.MovesShare };
    }

    public static CutResponse ToWire(CutRequest request, CutResult kept, CutResult given, LengthUnit unit)
    {
        var fits = new FitWords(unit);
        string[] names = [.. request.Cameras.Select(c => $"Rig {(char)('A' + request.Setup.Rigs.ToList().FindIndex(r => r.Id == c.Rig))}")];
        var lead = request.Cameras.Select(c => c.Rig).ToList().IndexOf(Lead(request));
        CutOutput? Of(CutResult result, Func<string> say) => result.Shares.Count == 0 ? null : new(
            say(),
            [.. result.Shares.Select((s, i) => new CutShareOutput(
                request.Cameras[i].Rig, FitMapping.ToWire(s.Rig, s.Mode), s.Scene.SubjectDistanceMm, s.Set.FocalLengthMm, s.Set.FNumber, s.Report.Light.SensitivityNeededIso, s.Set.LowestIso, s.Set.RackedFarther,
                s.Rest.Of.BlurShare(s.Rest.BehindMm[0]), s.Rest.Of.SharpMm, ToWire(s.Rest), s.PixelStops, s.OffLead, s.OffOthers, s.Tier))],
            result.Shares.Count > 2 ? request.Cameras[result.Odd].Rig : null,
            result.Sum,
            result.IsProven);
        var misses = kept.Misses.Select((m, i) => (Miss: m, Name: names[i])).Where(m => m.Miss.Code != DiagnosticCode.None)
            .Select(m => new Diagnostic(m.Miss.Code, Severity.Stops, $"{m.Name} has no lens that gives its picture. {(m.Miss.Code == DiagnosticCode.NoLens ? "None of the shelf goes on it." : fits.Say(m.Miss))}", "Let it move farther, frame otherwise, or choose from more gear.").ToWire()).ToList();
        if (kept.Shares.Count == 0 && misses.Count == 0)
        {
            misses.Add(new Diagnostic(DiagnosticCode.NoLens, Severity.Stops, "Each camera has a lens, but not each one of its own.", "Choose from more gear, or leave a camera out.").ToWire());
        }

        var gives = kept.Shares.Count > 0 && given.Shares.Count > 0 && given.Shares.Sum(s => s.OffLead) < kept.Shares.Sum(s => s.OffLead) - LookSearch.AsGood * 5;
        return new(Of(kept, () => CutWords.Say(kept, names, lead)), gives ? Of(given, () => CutWords.Change(kept, given, names, lead)) : null, misses);
    }
}
