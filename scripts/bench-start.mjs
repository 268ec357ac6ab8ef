// Times ./dev start on a machine where everything is built: from the command to the address.
import { spawn } from 'node:child_process';

const port = '5499';
const times = [];
for (let i = 0; i < 3; i++) {
  const began = performance.now();
  const child = spawn('./dev', ['start'], { env: { ...process.env, JUXTOPSIS_PORT: port }, detached: true });
  let said = '';
  await new Promise((done, failed) => {
    child.stdout.on('data', (chunk) => {
      said += chunk;
      if (said.includes(`http://127.0.0.1:${port}`)) done();
    });
    child.once('exit', () => failed(new Error(`./dev start stopped: ${said}`)));
  });
  times.push(performance.now() - began);
  const gone = new Promise((done) => child.once('exit', done));
  process.kill(-child.pid, 'SIGINT');
  await gone;
}
times.sort((a, b) => a - b);
console.log(`  ./dev start answers after ${(times[1] / 1000).toFixed(2)} s (median of 3; aim: under 5 s)`);
