using Juxtopsis.Core.Bags;

namespace Juxtopsis.Contracts.Bags;

/// <summary>Some of one model in a bag.</summary>
public sealed record BagLineInput
{
    /// <summary>Identity of the model on the shelf; each once in a bag.</summary>
    public required Guid Id { get; init; }

    /// <summary>How many of it, 1 to 999.</summary>
    public int Count { get; set; } = 1;

    /// <summary>True when one of it sits on the rig while it films.</summary>
    public bool OnRig { get; set; }

    /// <summary>Identities of the physical units that are meant, each once and no more than the count; empty for whichever are free.</summary>
    public IReadOnlyList<Guid> Units { get; set; } = [];

    /// <summary>How many have gone out.</summary>
    public int Out { get; set; }

    /// <summary>How many of these have come back.</summary>
    public int Back { get; set; }

    /// <summary>Anything to know of it, up to 280 characters.</summary>
    public string Note { get; set; } = "";
}

/// <summary>What a bag may not exceed; what is left out is no limit.</summary>
public sealed record BagLimitsInput
{
    /// <summary>Weight of all of it, g.</summary>
    public double? WeightG { get; set; }

    /// <summary>What it may cost, with margin and tax.</summary>
    public double? Budget { get; set; }

    /// <summary>What that is for.</summary>
    public BagCost BudgetFor { get; set; }

    /// <summary>What all batteries together may hold, Wh.</summary>
    public double? BatteriesWh { get; set; }

    /// <summary>What one battery may hold, Wh.</summary>
    public double? BatteryWh { get; set; }

    /// <summary>How many cases there are, 1 to 99.</summary>
    public int? Cases { get; set; }

    /// <summary>One side of the inside of each case, mm; all three or none.</summary>
    public double? CaseLengthMm { get; set; }

    /// <summary>Another side, mm.</summary>
    public double? CaseWidthMm { get; set; }

    /// <summary>The third side, mm.</summary>
    public double? CaseHeightMm { get; set; }
}

/// <summary>What a day of filming is like, for power and storage.</summary>
public sealed record DayPlanInput
{
    /// <summary>Minutes of the day that are in the finished piece, 0 to 1440.</summary>
    public double UsedMinutes { get; set; } = 5;

    /// <summary>Minutes that are shot for each of these, 1 to 1000.</summary>
    public double ShootingRatio { get; set; } = 10;

    /// <summary>Hours that each camera is on without recording, 0 to 24.</summary>
    public double StandbyHours { get; set; } = 3;

    /// <summary>How many cameras record at a time, 1 to 99.</summary>
    public int Rolling { get; set; } = 1;

    /// <summary>How often what was recorded is copied, 0 to 9.</summary>
    public int Copies { get; set; } = 2;

    /// <summary>Of what a battery says it holds, what it gives: 0.1 to 1.</summary>
    public double Usable { get; set; } = DayPlan.UsualUsable;
}

/// <summary>What is packed together, for whom, and for which days.</summary>
public sealed record BagInput
{
    /// <summary>Identity within the production.</summary>
    public required Guid Id { get; init; }

    /// <summary>Name, 1 to 80 characters.</summary>
    public required string Name { get; init; }

    /// <summary>The unit of the crew that has it, by its name; empty for all shots.</summary>
    public string Unit { get; set; } = "";

    /// <summary>The first day, such as 2027-05-01; empty while it is not known.</summary>
    public string FirstDay { get; set; } = "";

    /// <summary>The last day, likewise.</summary>
    public string LastDay { get; set; } = "";

    /// <summary>What it may not exceed.</summary>
    public BagLimitsInput Limits { get; set; } = new();

    /// <summary>What a day is like.</summary>
    public DayPlanInput Plan { get; set; } = new();

    /// <summary>What is in it.</summary>
    public IReadOnlyList<BagLineInput> Lines { get; set; } = [];

    /// <summary>Why it is packed so, up to 500 characters.</summary>
    public string Note { get; set; } = "";
}
