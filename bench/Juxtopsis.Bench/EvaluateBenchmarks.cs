using System.Text;
using BenchmarkDotNet.Attributes;
using Juxtopsis.Contracts;
using Juxtopsis.Core.Rigs;

namespace Juxtopsis.Bench;

/// <summary>What a report costs natively: bare, and through the door with JSON both ways.</summary>
public class EvaluateBenchmarks
{
    private const int Rigs = 1024;
    private readonly Rig[] rigs = new Rig[Rigs];
    private readonly byte[] twoRigs = Encoding.UTF8.GetBytes(
        """
        {"scene":{"subjectDistanceMm":2200,"backgroundDistanceMm":3900,"deliveryAspect":1.7777777777777777,"deliveryWidthPx":3840},
        "rigs":[{"sensorWidthMm":36,"sensorHeightMm":24,"recordedWidthPx":6000,"recordedHeightPx":4000,"focalLengthMm":35,"fNumber":2.8},
        {"sensorWidthMm":17.3,"sensorHeightMm":13,"focalLengthMm":25,"fNumber":1.8,"optics":[0.71]}]}
        """);

    private Scene scene = new(2200) { BackgroundDistanceMm = 3900, DeliveryAspect = 16.0 / 9, DeliveryWidthPx = 3840 };
    private Conventions conventions = Conventions.Default;

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
            };
        }
    }

    [Benchmark(Description = "One report, native", OperationsPerInvoke = Rigs)]
    public double Report()
    {
        var sum = 0.0;
        foreach (ref readonly var rig in rigs.AsSpan())
        {
            sum += RigEvaluator.Evaluate(scene, conventions, rig).Focus?.DepthOfFieldNearMm ?? 0;
        }

        return sum;
    }

    [Benchmark(Description = "Two rigs, JSON to JSON, native")]
    public int Door() => CoreDoor.Evaluate(twoRigs).Body.Length;
}
