import { DeadAddress, type Post } from '../mail/post';
import { written, type Letter } from '../mail/letter';

/** A letter that was sent. */
interface Sent extends Letter {
  to: string;
  id: string;
  text: string;
  html: string;
  headers: Readonly<Record<string, string>>;
}

/** A way out for mail that keeps what it is given. */
export class Letters implements Post {
  readonly sent: Sent[] = [];
  /** Addresses that take no mail. */
  readonly dead = new Set<string>();
  /** Whether nobody answers. */
  down = false;

  send(to: string, letter: Letter, id: string, headers: Readonly<Record<string, string>> = {}): Promise<void> {
    if (this.down) return Promise.reject(new Error('nobody answers'));
    if (this.dead.has(to)) return Promise.reject(new DeadAddress('no mail is taken there'));
    this.sent.push({ ...letter, to, id, ...written(letter), headers });
    return Promise.resolve();
  }

  close(): void {
    // There is nothing to close.
  }

  /** What was sent to an address, the newest first. */
  to = (address: string) => this.sent.filter(({ to }) => to === address).reverse();

  /** The key in the newest letter to an address that has one. */
  keyTo(address: string): string {
    for (const { text } of this.to(address)) {
      const found = /#(\S+)/.exec(text);
      if (found) return found[1]!;
    }
    throw new Error('no letter with a link was sent there');
  }
}
