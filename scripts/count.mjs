// Prints "passed failed" of a report: CTRF as xunit writes it, or the JSON of Playwright or of Vitest.
import { readFileSync } from 'node:fs';

const report = JSON.parse(readFileSync(process.argv[2], 'utf8'));
if (report.results) {
  const { passed, failed, skipped, pending, other } = report.results.summary;
  // A test that did not run has not passed.
  console.log(passed, failed + (skipped ?? 0) + (pending ?? 0) + (other ?? 0));
} else if ('numPassedTests' in report) {
  const { numPassedTests, numTotalTests, success } = report;
  // A file that does not load has no tests, and the run is no success.
  console.log(numPassedTests, Math.max(numTotalTests - numPassedTests, success ? 0 : 1));
} else {
  const { expected, unexpected, flaky, skipped } = report.stats;
  console.log(expected, unexpected + flaky + skipped + report.errors.length);
}
