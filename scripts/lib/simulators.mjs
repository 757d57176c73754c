import { exit, runTypeScript } from './project.mjs';

/**
 * Starts the stand-ins that ship: a weather service, hygrometers that send like real ones, a mailbox that takes every letter,
 * and a push service that shows what a phone would.
 * @returns environment for the server, `tell` with the server's address once it is known, `mail` and `push` where letters and notifications are read, `told` that in lines, and `stop`
 */
export async function startSimulators(env = {}, user = null) {
  const child = runTypeScript('simulators/src/main.ts', env, {
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    detached: true,
    user,
  });
  const { listening, smtp } = await new Promise((resolve, reject) => {
    child.once('message', resolve);
    child.once('exit', () => reject(new Error('The stand-ins did not start: weather, hygrometers, mailbox.')));
  });
  const url = `http://127.0.0.1:${listening}`;
  return {
    env: {
      WEATHER_URL: url,
      HYGROMETER_URL: url,
      // Whoever is reached from elsewhere has phones with push services of their own.
      ...(!process.env.PUBLIC_URL && { PUSH_STAND_IN: url }),
      SMTP_URL: process.env.SMTP_URL ?? `smtp://127.0.0.1:${smtp}`,
    },
    mail: process.env.SMTP_URL ? null : `${url}/mail`,
    push: `${url}/push`,
    told: [
      ...(process.env.SMTP_URL ? [] : [`Letters it sends are read at ${url}/mail`]),
      ...(process.env.PUBLIC_URL ? [] : [`What phones would show is read at ${url}/push`]),
    ],
    tell: (server) => child.connected && child.send({ server }),
    async stop() {
      if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
      await exit(child);
    },
  };
}
