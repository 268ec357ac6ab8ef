using Juxtopsis.Core.Diagnostics;

namespace Juxtopsis.Core.Fitting;

/// <summary>A contradiction in a brief or a place.</summary>
/// <param name="Code">What.</param>
/// <param name="By">By how much, mm; 0 where that means nothing.</param>
/// <param name="Stops">True when no rig can give the shot while it is so.</param>
public readonly record struct Contradiction(DiagnosticCode Code, double By, bool Stops)
{
    internal static IReadOnlyList<Contradiction> Find(FitQuestion question, FittingShelf shelf)
    {
        var (location, brief) = (question.Location, question.Brief);
        var subject = brief.Subject;
        var found = new List<Contradiction>();
        void Add(DiagnosticCode kind, double by, bool stops = true)
        {
            if (by > 0)
            {
                found.Add(new(kind, by, stops));
            }
        }

        Add(DiagnosticCode.NoCamera, shelf.Bodies == 0 ? 1 : 0);
        Add(DiagnosticCode.NoLens, shelf.Bodies > 0 && shelf.Rigs.Count == 0 ? 1 : 0);
        Add(DiagnosticCode.SubjectTallerThanPlace, brief.IsOverhead ? 0 : subject.BaseMm + subject.WholeHeightMm(false) - (location.HeightMm ?? double.PositiveInfinity), stops: false);
        Add(DiagnosticCode.SubjectWiderThanPlace, subject.WholeWidthMm - location.AcrossMm, stops: false);
        Add(DiagnosticCode.SubjectBeyondPlace, -question.RoomMm);
        Add(DiagnosticCode.SubjectTooNearBackground, brief.IsOverhead ? 0 : location.LeastBehindMm - question.BehindMm, stops: false);
        Add(DiagnosticCode.CameraKeptOut, question.RoomMm > 0 ? location.KeepOffMm - question.RoomMm : 0);
        Add(DiagnosticCode.WallsInPicture, brief.IsOverhead ? 0 : question.Frame.WidthMm - location.AcrossMm, stops: false);
        return found;
    }
}
