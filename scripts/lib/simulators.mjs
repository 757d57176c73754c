import { exit, runTypeScript } from './project.mjs';

/**
 * Starts the stand-ins that ship: a weather service, and hygrometers that send like real ones.
 * @returns environment for the server, `tell` with the server's address once it is known, and `stop`
 */
export async function startSimulators(env = {}, user = null) {
  const child = runTypeScript('simulators/src/main.ts', env, {
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    detached: true,
    user,
  });
  const port = await new Promise((resolve, reject) => {
    child.once('message', ({ listening }) => resolve(listening));
    child.once('exit', () => reject(new Error('The weather service and the simulated hygrometers did not start.')));
  });
  const url = `http://127.0.0.1:${port}`;
  return {
    env: { WEATHER_URL: url, HYGROMETER_URL: url },
    tell: (server) => child.connected && child.send({ server }),
    async stop() {
      if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
      await exit(child);
    },
  };
}
