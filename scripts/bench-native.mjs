// Sets the core's report beside the plain C++ loop, both measured in one run.
import { readFileSync } from 'node:fs';

const [file, native] = process.argv.slice(2);
const ours = JSON.parse(readFileSync(file, 'utf8')).Benchmarks.find((b) => b.Method === 'Report').Statistics.Min;
const theirs = Number(native.split(' ')[0]);
console.log(
  `  one full report in C++: ${theirs.toFixed(1)} ns at best; in C#: ${ours.toFixed(1)} ns at best, ${(ours / theirs).toFixed(2)} times that`,
);
