using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Briefs;

/// <summary>What decides how much a picture must take in.</summary>
public enum FrameDecider
{
    /// <summary>The cut on the figure, or the height of the thing.</summary>
    Upright,

    /// <summary>The width of the subject with air at its sides.</summary>
    Across,

    /// <summary>A width or height that was typed.</summary>
    Typed,
}

/// <summary>What a picture must take in at the subject.</summary>
/// <param name="HeightMm">Upright, mm.</param>
/// <param name="WidthMm">Across, mm.</param>
/// <param name="BottomMm">The picture's lower edge above the ground at the subject, mm; overhead from the middle of it.</param>
/// <param name="Decider">What decides it.</param>
public readonly record struct WantedFrame(double HeightMm, double WidthMm, double BottomMm, FrameDecider Decider)
{
    /// <summary>Air beside people, as a share of the picture's width on each side.</summary>
    public const double SideRoom = 0.06;

    /// <summary>Height of a level lens for this picture above the ground, mm: the middle of the picture.</summary>
    public double LensHeightMm => Math.Max(0, BottomMm + HeightMm / 2);

    /// <summary>The equivalent focal length that takes the picture in from a distance: that of a thin lens on the reference format, trimmed to the picture's shape.</summary>
    /// <param name="distanceMm">From the sensor mark to the subject, mm; above 0.</param>
    /// <param name="conventions">Say which format equivalents refer to.</param>
    /// <returns>f of D = f(1 + m)²/m with m = format's height over the picture's, mm.</returns>
    public double EquivalentFromMm(double distanceMm, in Conventions conventions)
    {
        var m = Math.Min(conventions.ReferenceHeightMm, conventions.ReferenceWidthMm * HeightMm / WidthMm) / HeightMm;
        return distanceMm * m / ((1 + m) * (1 + m));
    }

    /// <summary>The picture that a brief asks for.</summary>
    /// <param name="brief">The brief.</param>
    /// <returns>
    /// The frame. Of people the cut with its headroom decides, or their width with 6 % of air on each side where that needs more; of
    /// things whichever direction they fill more.
    /// </returns>
    public static WantedFrame Of(ShotBrief brief)
    {
        ArgumentNullException.ThrowIfNull(brief);
        var (subject, aspect) = (brief.Subject, brief.DeliveryAspect);
        if (brief.Typed is { } typed)
        {
            return At(brief, typed.IsAcross ? typed.SizeMm / aspect : typed.SizeMm, FrameDecider.Typed);
        }

        if (!subject.IsPeople)
        {
            var share = ShotSizes.ShareOfThing(brief.Size);
            var up = subject.WholeHeightMm(brief.IsOverhead) / share;
            var across = subject.WholeWidthMm / share / aspect;
            return across > up ? At(brief, across, FrameDecider.Across) : At(brief, up, FrameDecider.Upright);
        }

        var cut = ShotSizes.Cut(brief.Size, subject.IsSeated);
        var tall = (cut.Top - cut.Bottom) * subject.HeightMm / (cut.Share ?? 1 - brief.Headroom - ShotSizes.FootroomOf(brief.Size));
        var shoulders = subject.Kind == SubjectKind.Group || ShotSizes.ShowsShoulders(brief.Size) ? subject.WholeWidthMm : 0;
        var wide = shoulders / (1 - 2 * SideRoom) / aspect;
        return wide > tall ? At(brief, wide, FrameDecider.Across) : At(brief, tall, FrameDecider.Upright);
    }

    /// <summary>Puts a frame of a height where it belongs: heads under their headroom, things in the middle, small figures at eye level.</summary>
    private static WantedFrame At(ShotBrief brief, double heightMm, FrameDecider decider)
    {
        var subject = brief.Subject;
        var whole = subject.WholeHeightMm(brief.IsOverhead);
        double bottom;
        if (brief.IsOverhead)
        {
            bottom = -heightMm / 2;
        }
        else if (!subject.IsPeople)
        {
            bottom = subject.BaseMm + (whole - heightMm) / 2;
        }
        else if (heightMm > 1.3 * whole)
        {
            var eyes = (ShotSizes.Eyes - (subject.IsSeated ? ShotSizes.SeatedBy : 0)) * subject.HeightMm;
            bottom = subject.BaseMm + eyes - heightMm / 2;
        }
        else
        {
            var cut = ShotSizes.Cut(brief.Size, subject.IsSeated);
            var room = brief.Size == ShotSize.ExtremeCloseUp && decider == FrameDecider.Upright ? 0 : brief.Headroom;
            bottom = subject.BaseMm + cut.Top * subject.HeightMm - (1 - room) * heightMm;
        }

        return new(heightMm, heightMm * brief.DeliveryAspect, bottom, decider);
    }
}
