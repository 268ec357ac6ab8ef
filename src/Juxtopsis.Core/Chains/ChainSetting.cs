using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Core.Chains;

/// <summary>How a chain of parts is set.</summary>
public sealed record ChainSetting
{
    /// <summary>Name of the recording mode; empty for the camera's first.</summary>
    public string Mode { get; init; } = "";

    /// <summary>Focal length as marked, mm; null for the short end. Kept within the zoom.</summary>
    public double? FocalLengthMm { get; init; }

    /// <summary>f-number; null for the widest.</summary>
    public double? FNumber { get; init; }

    /// <summary>Electronic zoom or a later crop, 1 or more.</summary>
    public double PunchIn { get; init; } = 1;

    /// <summary>
    /// The rig as it is set by hand; null for one of nothing but its parts. Its focal length, aperture, punch-in and frame rate go before those here, and
    /// what no part decides (sensitivity, a shim, a turned squeeze) stays as it is.
    /// </summary>
    public Rig? Set
    {
        get;
        init
        {
            field = value;
            if (value is { } rig)
            {
                (FocalLengthMm, FNumber, PunchIn, CaptureFps) = (rig.FocalLengthMm, rig.FNumber, rig.PunchIn, rig.CaptureFps);
            }
        }
    }

    /// <summary>Delivered width over height; null for the mode's own shape.</summary>
    public double? DeliveryAspect { get; init; }

    /// <summary>Frames a second of the timeline, which are captured where nothing else is set; null when that is not known.</summary>
    public double? TimelineFps { get; init; }

    /// <summary>Captured frames a second; null when as many as the timeline has.</summary>
    public double? CaptureFps { get; init; }
}
