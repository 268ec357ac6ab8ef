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

    /// <summary>Delivered width over height; null for the mode's own shape.</summary>
    public double? DeliveryAspect { get; init; }

    /// <summary>Captured frames a second; null when not decided.</summary>
    public double? CaptureFps { get; init; }
}
