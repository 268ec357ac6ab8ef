namespace Juxtopsis.Core.Fitting;

/// <summary>What cannot be, whatever the gear.</summary>
public enum ContradictionKind
{
    /// <summary>There is no camera.</summary>
    NoCamera,

    /// <summary>There is no lens, and no camera that keeps its own.</summary>
    NoLens,

    /// <summary>The subject is taller than the place is high.</summary>
    TooTall,

    /// <summary>The subject is wider than the place.</summary>
    TooBroad,

    /// <summary>The subject stands beyond the end of the place.</summary>
    BeyondTheEnd,

    /// <summary>The subject is nearer to what is behind it than it may be.</summary>
    TooNearBehind,

    /// <summary>The camera must stay farther off than there is room.</summary>
    KeptOut,

    /// <summary>The picture is wider than the place, so walls are in it.</summary>
    WallsInPicture,
}

/// <summary>A contradiction in a brief or a place.</summary>
/// <param name="Kind">What.</param>
/// <param name="By">By how much, mm; 0 where that means nothing.</param>
/// <param name="Stops">True when no rig can give the shot while it is so.</param>
public readonly record struct Contradiction(ContradictionKind Kind, double By, bool Stops)
{
    internal static IReadOnlyList<Contradiction> Find(FitQuestion question, FittingShelf shelf)
    {
        var (site, brief) = (question.Site, question.Brief);
        var subject = brief.Subject;
        var found = new List<Contradiction>();
        void Add(ContradictionKind kind, double by, bool stops = true)
        {
            if (by > 0)
            {
                found.Add(new(kind, by, stops));
            }
        }

        Add(ContradictionKind.NoCamera, shelf.Bodies == 0 ? 1 : 0);
        Add(ContradictionKind.NoLens, shelf.Bodies > 0 && shelf.Rigs.Count == 0 ? 1 : 0);
        Add(ContradictionKind.TooTall, brief.IsOverhead ? 0 : subject.BaseMm + subject.WholeHeightMm(false) - (site.HeightMm ?? double.PositiveInfinity), stops: false);
        Add(ContradictionKind.TooBroad, subject.WholeWidthMm - site.AcrossMm, stops: false);
        Add(ContradictionKind.BeyondTheEnd, -question.RoomMm);
        Add(ContradictionKind.TooNearBehind, brief.IsOverhead ? 0 : site.LeastBehindMm - question.BehindMm, stops: false);
        Add(ContradictionKind.KeptOut, question.RoomMm > 0 ? site.KeepOffMm - question.RoomMm : 0);
        Add(ContradictionKind.WallsInPicture, brief.IsOverhead ? 0 : question.Frame.WidthMm - site.AcrossMm, stops: false);
        return found;
    }
}
