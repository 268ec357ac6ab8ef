// Says what BenchmarkDotNet measured.
import { readFileSync } from 'node:fs';

for (const benchmark of JSON.parse(readFileSync(process.argv[2], 'utf8')).Benchmarks) {
  const ns = benchmark.Statistics.Mean;
  const bytes = benchmark.Memory.BytesAllocatedPerOperation;
  console.log(`  ${benchmark.MethodTitle}: ${ns.toFixed(1)} ns, ${(1000 / ns).toFixed(2)} million a second, ${bytes} bytes allocated`);
}
