// Tells which share of the lines the tests have run: of the C# projects from Cobertura files, of the page's logic from Vitest's summary.
import { existsSync, readFileSync } from 'node:fs';

const [summary, ...reports] = process.argv.slice(2);
const hit = new Map();
for (const report of reports.filter(existsSync)) {
  let file = '';
  for (const [, name, line, hits] of readFileSync(report, 'utf8').matchAll(
    /<class [^>]*filename="([^"]+)"|<line number="(\d+)" hits="(\d+)"/g,
  )) {
    if (name) {
      file = name.replaceAll('\\', '/');
    } else {
      const key = `${file}:${line}`;
      hit.set(key, hit.get(key) || hits !== '0');
    }
  }
}

const projects = new Map();
for (const [key, isHit] of hit) {
  const project = /\/src\/(Juxtopsis\.\w+)\/(?!obj\/|Migrations\/)/.exec(key)?.[1];
  if (project) {
    const [lines, run] = projects.get(project) ?? [0, 0];
    projects.set(project, [lines + 1, run + (isHit ? 1 : 0)]);
  }
}
const told = [...projects].sort().map(([project, [lines, run]]) => `${project} ${((100 * run) / lines).toFixed(1)} %`);
if (existsSync(summary)) {
  told.push(`the page's logic ${JSON.parse(readFileSync(summary, 'utf8')).total.lines.pct} %`);
}
console.log(told.join(', '));
