import { spawnSync } from 'node:child_process';
import { chownSync, existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { findProgram, ROOT, run } from './project.mjs';

const NAME = 'tembrin';

/** @typedef {{ name: string, uid: number, gid: number }} User */

function idOf(kind) {
  const { status, stdout } = spawnSync('id', [kind, NAME], { encoding: 'utf8' });
  return status === 0 ? Number(stdout) : null;
}

/** Whether a user can read a folder, with Node. */
function reaches({ uid, gid }, folder) {
  const program = `require('fs').readdirSync(${JSON.stringify(folder)})`;
  return spawnSync(process.execPath, ['-e', program], { uid, gid, cwd: '/', stdio: 'ignore' }).status === 0;
}

/** Passwords stay with who starts it all: the server's user is told only its own. */
const isData = (name) => !/\.json(\.new)?$/.test(name);

const found = new Map();

/**
 * The user that server and database run as where root starts them, so that neither can do more than it must. Made where it is not
 * there; the data folder becomes its own.
 * @param folder of the data
 * @returns {User | null} null where they run as who started them
 */
export function ownUser(folder) {
  if (!found.has(folder)) found.set(folder, find(folder));
  return found.get(folder);
}

function find(folder) {
  if (process.getuid?.() !== 0) return null;
  if (idOf('-u') === null && findProgram('useradd'))
    run('useradd', ['--system', '--user-group', '--no-create-home', '--shell', '/usr/sbin/nologin', NAME]);
  const [uid, gid] = [idOf('-u'), idOf('-g')];
  const stays = (why) => {
    console.error(`Started as root, and server and database stay so: ${why}.`);
    return null;
  };
  if (uid === null || gid === null) return stays(`there is no user ${NAME}, and none can be made`);
  const user = { name: NAME, uid, gid };
  for (const path of [
    folder,
    ...readdirSync(folder)
      .filter(isData)
      .map((name) => join(folder, name)),
  ])
    run('chown', [...(path === folder ? [] : ['-R']), `${uid}:${gid}`, path]);
  const hidden = [ROOT, folder].find((each) => !reaches(user, each));
  return hidden ? stays(`the user ${NAME} cannot read ${hidden}. Put it where others may read it`) : user;
}

/** Makes a file or folder a user's own. */
export function give(path, user) {
  if (user && existsSync(path)) chownSync(path, user.uid, user.gid);
}
