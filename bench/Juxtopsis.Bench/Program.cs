using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Diagnosers;
using BenchmarkDotNet.Exporters.Json;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using Juxtopsis.Bench;

BenchmarkRunner.Run<EvaluateBenchmarks>(
    DefaultConfig.Instance
        .AddJob(Job.ShortRun)
        .AddDiagnoser(MemoryDiagnoser.Default)
        .AddExporter(JsonExporter.BriefCompressed)
        .WithArtifactsPath(args.Length > 0 ? args[0] : "artifacts/bench"));
