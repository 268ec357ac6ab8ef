using System.Text.Json;
using Juxtopsis.Contracts.Fitting;
using Juxtopsis.Core.Fitting;
using Juxtopsis.Core.Matching;
using Juxtopsis.Core.Matching.Cutting;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Contracts.Matching;

/// <summary>The door to what comes near a look, and to cameras that cut together; like <see cref="FitDoor"/> it answers a few rigs at a time.</summary>
/// <param name="shelf">The shelf.</param>
public sealed class MatchDoor(ShelfParts shelf)
{
    /// <summary>How much the lead keeps the blur that it is wanted with where the others follow it.</summary>
    private const double Keeps = 2;

    /// <summary>And where it gives way: so little that it only decides between ways that agree as well.</summary>
    private const double Gives = 0.01;

    /// <summary>How many answers the first one tells of, so that it is there at once.</summary>
    private const int FirstMost = 12;

    private LookRequest? look;
    private LookSearch? looking;
    private FittingShelf? among;
    private CutRequest? cut;
    private CutSearch? kept;
    private CutSearch? given;

    /// <summary>Asks what comes near a look, in place of what was asked before.</summary>
    /// <param name="json">A <see cref="LookRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>A refusal; null when it is taken on.</returns>
    public WireAnswer? AskLook(ReadOnlySpan<byte> json, LengthUnit unit)
    {
        (look, looking) = (null, null);
        if (WireReader.Read(json, WireJson.Default.LookRequest, (checks, r) => MatchMapping.Check(checks, r, unit), out var request) is { } refused)
        {
            return refused;
        }

        look = request!;
        among = shelf.Of(look.Bag, look.LeftOut, look.Wishes);
        looking = new(among, look.ToLook(), look.Aspects.ToCore(), look.ToRules(), look.Tie, look.Most);
        return null;
    }

    /// <summary>Asks some more rigs.</summary>
    /// <param name="rigs">How many at most.</param>
    /// <returns>How much is done, 0 to 1; 1 also when nothing is asked.</returns>
    public double StepLook(int rigs) => looking is null || looking.Step(rigs) ? 1 : (double)looking.Done / looking.Total;

    /// <summary>The answer; where each rig has been asked once only, the first one, which is not proven.</summary>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="LookResponse"/>.</returns>
    /// <exception cref="InvalidOperationException">Nothing was asked.</exception>
    public WireAnswer AnswerLook(LengthUnit unit)
    {
        if (looking is null || look is null)
        {
            throw new InvalidOperationException("Nothing was asked.");
        }

        var isWhole = looking.Done >= looking.Total;
        var result = looking.SoFar(isWhole ? look.Most : FirstMost);
        IReadOnlyList<MissingGear> missing = isWhole ? MissingGear.Of(among!, result, looking.Wishes, look.ToRules()) : [];
        return new(200, JsonSerializer.SerializeToUtf8Bytes(result.ToWire(looking.Wishes, isWhole, missing, unit), WireJson.Default.LookResponse));
    }

    /// <summary>Asks which lenses make cameras cut together, in place of what was asked before.</summary>
    /// <param name="json">A <see cref="CutRequest"/>.</param>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>A refusal; null when it is taken on.</returns>
    public WireAnswer? AskCut(ReadOnlySpan<byte> json, LengthUnit unit)
    {
        (cut, kept, given) = (null, null, null);
        if (WireReader.Read(json, WireJson.Default.CutRequest, (checks, r) => MatchMapping.Check(checks, r, unit), out var request) is { } refused)
        {
            return refused;
        }

        cut = request!;
        var of = shelf.Of(cut.Bag, cut.LeftOut, cut.Wishes);
        (kept, given) = (cut.ToSearch(of, Keeps), cut.ToSearch(of, Gives));
        return null;
    }

    /// <summary>Tries some more ways of the lead.</summary>
    /// <param name="some">How many at most.</param>
    /// <returns>How much is done, 0 to 1; 1 also when nothing is asked.</returns>
    public double StepCut(int some) =>
        kept is null || given is null || kept.Step(some) && given.Step(some) ? 1 : Math.Min(0.999, (double)(kept.Done + given.Done) / Math.Max(1, kept.Total + given.Total));

    /// <summary>The answer.</summary>
    /// <param name="unit">The person's unit, for distances in sentences.</param>
    /// <returns>200 with a <see cref="CutResponse"/>.</returns>
    /// <exception cref="InvalidOperationException">Nothing was asked.</exception>
    public WireAnswer AnswerCut(LengthUnit unit)
    {
        if (kept is null || given is null || cut is null)
        {
            throw new InvalidOperationException("Nothing was asked.");
        }

        return new(200, JsonSerializer.SerializeToUtf8Bytes(MatchMapping.ToWire(cut, kept.Finish(), given.Finish(), unit), WireJson.Default.CutResponse));
    }
}
