using System.Text;
using BenchmarkDotNet.Attributes;
using Juxtopsis.Contracts;
using Juxtopsis.Core.Figures;
using Juxtopsis.Core.Rigs;
using Juxtopsis.Core.Working;

namespace Juxtopsis.Bench;

/// <summary>What a report costs natively: bare, as figures, through the door with JSON, and with a working.</summary>
public class EvaluateBenchmarks
{
    private const int Rigs = 1024;
    private readonly Rig[] rigs = new Rig[Rigs];
    private readonly double[] figures = new double[FigureCatalogue.All.Count];
    private readonly byte[] fourRigs = Encoding.UTF8.GetBytes(
        """
        {"scene":{"subjectDistanceMm":2200,"backgroundDistanceMm":3900,"deliveryAspect":1.7777777777777777,"deliveryWidthPx":3840,"brightnessEv":9},
        "rigs":[{"sensorWidthMm":36,"sensorHeightMm":24,"recordedWidthPx":6000,"recordedHeightPx":4000,"focalLengthMm":35,"fNumber":2.8},
        {"sensorWidthMm":17.3,"sensorHeightMm":13,"focalLengthMm":25,"fNumber":1.8,"optics":[0.71]},
        {"sensorWidthMm":23.5,"sensorHeightMm":15.6,"focalLengthMm":50,"fNumber":4,"lens":{"minimumFocusDistanceMm":380,"maximumMagnification":0.3}},
        {"sensorWidthMm":24.89,"sensorHeightMm":18.66,"focalLengthMm":50,"fNumber":2.8,"squeeze":2,"sensitivityIso":800}]}
        """);

    private Scene scene = new(2200)
    {
        BackgroundDistanceMm = 3900,
        DeliveryAspect = 16.0 / 9,
        DeliveryWidthPx = 3840,
        Light = new() { BrightnessEv = 9 },
    };

    private Conventions conventions = Conventions.Default;
    private FigureCase[] cases = [];
    private UsedArea[] used = [];
    private LensInChain[] chains = [];
    private LensOnSensor[] lenses = [];

    /// <summary>
    /// The rigs that <c>report.cpp</c> makes too: reducers, squeezes, and a quarter of lenses whose own data make them breathe.
    /// </summary>
    [GlobalSetup]
    public void MakeRigs()
    {
        for (var i = 0; i < Rigs; i++)
        {
            rigs[i] = new Rig(12 + i % 37, 9 + i % 23, 8 + i % 211, 1.2 + i % 9)
            {
                Optics = new OpticsChain(i % 3 == 0 ? 0.71 : 1),
                Squeeze = i % 5 == 0 ? 1.5 : 1,
                Recorded = new PixelSize(3840, 2160),
                SensitivityIso = 800,
                BodyStabilisationStops = i % 6,
                Lens = i % 4 == 0 ? new LensData { MinimumFocusDistanceMm = 9 * (8 + i % 211), MaximumMagnification = 0.15 } : LensData.Unknown,
            };
        }

        used = [.. rigs.Select(r => UsedArea.Of(r, scene.DeliveryAspect))];
        chains = [.. rigs.Select(r => LensInChain.Of(r, r.FocalLengthMm))];
        lenses = [.. rigs.Select(r => RigEvaluator.Evaluate(scene, conventions, r).Lens)];
        cases = FigureCase.Of(scene, conventions, rigs, 0);
    }

    [Benchmark(Description = "One full report, native", OperationsPerInvoke = Rigs)]
    public double Report()
    {
        var sum = 0.0;
        foreach (ref readonly var rig in rigs.AsSpan())
        {
            var report = RigEvaluator.Evaluate(scene, conventions, rig);
            sum += report.Light.LightNeeded + (report.IsFocused ? 1 : 0);
        }

        return sum;
    }

    /// <summary>The stage of the frame.</summary>
    [Benchmark(Description = "Stage: frame, native", OperationsPerInvoke = Rigs)]
    public double Frame()
    {
        var sum = 0.0;
        foreach (ref readonly var rig in rigs.AsSpan())
        {
            sum += UsedArea.Of(rig, scene.DeliveryAspect).PictureDiagonalMm;
        }

        return sum;
    }

    /// <summary>The stage of the lens in its chain.</summary>
    [Benchmark(Description = "Stage: lens in its chain, native", OperationsPerInvoke = Rigs)]
    public double Chain()
    {
        var sum = 0.0;
        foreach (ref readonly var rig in rigs.AsSpan())
        {
            sum += LensInChain.Of(rig, rig.FocalLengthMm).Travel.NearestMm();
        }

        return sum;
    }

    /// <summary>The stages of focus, sharp zone and blur, from a chain that is known.</summary>
    [Benchmark(Description = "Stages: focus, sharp zone, blur, native", OperationsPerInvoke = Rigs)]
    public double Focus()
    {
        var sum = 0.0;
        for (var i = 0; i < Rigs; i++)
        {
            var focus = FocusReport.StageOf(used[i], rigs[i].FNumber, chains[i], chains[i].Travel.FocusAt(scene.SubjectDistanceMm));
            sum += SharpZone.Of(focus, 0.02).InFrontMm + BlurBehind.Of(focus, used[i], 1700).DiscMm;
        }

        return sum;
    }

    /// <summary>The stage of light.</summary>
    [Benchmark(Description = "Stage: light, native", OperationsPerInvoke = Rigs)]
    public double Light()
    {
        var sum = 0.0;
        for (var i = 0; i < Rigs; i++)
        {
            sum += LightReport.Of(scene, rigs[i], lenses[i], 1.02).LightNeeded;
        }

        return sum;
    }

    [Benchmark(Description = "A report's figures read from the catalogue, native", OperationsPerInvoke = Rigs)]
    public double Figures()
    {
        foreach (ref readonly var given in cases.AsSpan())
        {
            FigureCatalogue.Fill(given, figures);
        }

        return figures[0];
    }

    [Benchmark(Description = "Four rigs, JSON to numbers, native")]
    public int Numbers() => CoreDoor.EvaluateNumbers(fourRigs).Length;

    [Benchmark(Description = "Four rigs, JSON to JSON, native")]
    public int Door() => CoreDoor.Evaluate(fourRigs).Body.Length;

    [Benchmark(Description = "The working of one figure, native")]
    public int Working() => WorkingOut.Of(cases[1], FigureId.DepthOfFieldNearMm).Steps.Count;
}
