import { spawn, spawnSync } from 'node:child_process';

/** A mistake that the person at the terminal can put right: printed without a stack. */
export class SetUpError extends Error {}

/** Runs a command to its end. @throws SetUpError with the last of its output when it fails */
export function runToEnd(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options });
    let output = '';
    const keep = (chunk) => {
      output = (output + chunk).slice(-8000);
      if (options.show) process.stdout.write(chunk);
    };
    child.stdout?.on('data', keep);
    child.stderr?.on('data', keep);
    child.once('error', (error) => reject(new SetUpError(`${command} could not be started: ${error.message}`)));
    child.once('close', (code) =>
      code === 0
        ? resolve(output)
        : reject(new SetUpError(`${[command, ...args].join(' ')} failed:\n${output.trim()}`)),
    );
  });
}

export const hasCommand = (name) => spawnSync('sh', ['-c', `command -v ${name}`]).status === 0;

/** A server lets running requests and uploads finish within twenty seconds. */
const INSIST_AFTER_MS = 25_000;
const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 8_000;
/** What went so long without ending begins with short pauses again. */
const STEADY_MS = 10_000;

/**
 * Keeps a part running: one that ends by itself is started again, after growing pauses.
 * @param {() => ReturnType<typeof startProcess>} start
 */
export function keepRunning(name, start) {
  let current = start();
  let stopping = false;
  let held = Promise.resolve();
  const follow = async () => {
    for (let pause = FIRST_PAUSE_MS; ; pause = Math.min(2 * pause, LONGEST_PAUSE_MS)) {
      const since = Date.now();
      await current.ended;
      if (stopping) return;
      if (Date.now() - since > STEADY_MS) pause = FIRST_PAUSE_MS;
      console.error(`The ${name} has stopped. It is started again in ${pause / 1000} s.`);
      await new Promise((resolve) => setTimeout(resolve, pause));
      await held;
      if (stopping) return;
      current = start();
    }
  };
  void follow();
  return {
    name,
    get child() {
      return current.child;
    },
    async stop(signal) {
      stopping = true;
      await current.stop(signal);
    },
    /** For trying out what its absence does: ended now, started again only after so long. */
    async awayFor(ms, signal = 'SIGTERM') {
      held = new Promise((resolve) => setTimeout(resolve, ms));
      await current.stop(signal);
      await held;
    },
  };
}

/** A long-running child in a process group of its own, so that Ctrl-C reaches it through us alone. */
export function startProcess(name, command, args, options = {}) {
  const child = spawn(command, args, { stdio: ['ignore', 'inherit', 'inherit'], detached: true, ...options });
  let stopping = false;
  const ended = new Promise((resolve) => child.once('close', resolve));
  return {
    child,
    ended,
    get stopping() {
      return stopping;
    },
    name,
    /** Asks politely, insists when what was under way has had its time. */
    async stop(signal = 'SIGTERM') {
      stopping = true;
      if (child.exitCode !== null || child.signalCode !== null) return;
      child.kill(signal);
      const insist = setTimeout(() => child.kill('SIGKILL'), INSIST_AFTER_MS);
      await ended;
      clearTimeout(insist);
    },
  };
}

/** Tries until it succeeds. @throws SetUpError after `timeoutMs` */
export async function waitUntil(what, attempt, timeoutMs = 60_000) {
  const end = Date.now() + timeoutMs;
  for (;;) {
    if (await attempt()) return;
    if (Date.now() > end) throw new SetUpError(`${what} did not come up within ${timeoutMs / 1000} s.`);
    await new Promise((resolve) => setTimeout(resolve, 60));
  }
}
