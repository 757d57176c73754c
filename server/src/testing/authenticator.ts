import { createHash, generateKeyPairSync, randomBytes, sign, type KeyObject } from 'node:crypto';
import { isoCBOR } from '@simplewebauthn/server/helpers';

const sha256 = (data: string | Buffer) => createHash('sha256').update(data).digest();
const url64 = (data: Uint8Array | string) => Buffer.from(data).toString('base64url');

/** Flags of authenticator data (WebAuthn level 3, section 6.1): present, verified, with a credential. */
const [PRESENT, VERIFIED, WITH_CREDENTIAL] = [0x01, 0x04, 0x40];

/** The public key as COSE writes it (RFC 9053, section 7.1): EC2, ES256, P-256, x, y. */
function coseOf(key: KeyObject): Uint8Array {
  const { x, y } = key.export({ format: 'jwk' });
  return isoCBOR.encode(
    new Map<number, number | Uint8Array<ArrayBuffer>>([
      [1, 2],
      [3, -7],
      [-1, 1],
      [-2, new Uint8Array(Buffer.from(x!, 'base64url'))],
      [-3, new Uint8Array(Buffer.from(y!, 'base64url'))],
    ]),
  );
}

/** A device that makes one passkey and signs in with it, in software. */
export function authenticator(origin: string) {
  const { privateKey, publicKey } = generateKeyPairSync('ec', { namedCurve: 'P-256' });
  const id = randomBytes(32);
  let counter = 0;
  const dataFor = (rpId: string, flags: number, rest: Uint8Array = new Uint8Array()) => {
    const count = Buffer.alloc(4);
    count.writeUInt32BE(++counter);
    return Buffer.concat([sha256(rpId), Buffer.from([flags]), count, rest]);
  };
  const client = (type: string, challenge: string, from: string) =>
    Buffer.from(JSON.stringify({ type, challenge, origin: from, crossOrigin: false }));
  const credential = { id: url64(id), rawId: url64(id), type: 'public-key' as const, clientExtensionResults: {} };
  return {
    id: credential.id,
    /** Answers what a browser is asked with to make a passkey. */
    make({ challenge, rp }: { challenge: string; rp: { id: string } }, from = origin) {
      const length = Buffer.alloc(2);
      length.writeUInt16BE(id.length);
      const attested = Buffer.concat([Buffer.alloc(16), length, id, coseOf(publicKey)]);
      const authData = dataFor(rp.id, PRESENT | VERIFIED | WITH_CREDENTIAL, attested);
      const attestationObject = isoCBOR.encode(
        new Map<string, string | Map<string, string> | Uint8Array<ArrayBuffer>>([
          ['fmt', 'none'],
          ['attStmt', new Map<string, string>()],
          ['authData', new Uint8Array(authData)],
        ]),
      );
      return {
        ...credential,
        response: {
          clientDataJSON: url64(client('webauthn.create', challenge, from)),
          attestationObject: url64(attestationObject),
          transports: ['internal'],
        },
      };
    },
    /** Answers what a browser is asked with to sign in. */
    use({ challenge, rpId }: { challenge: string; rpId: string }, { from = origin, verified = true } = {}) {
      const clientData = client('webauthn.get', challenge, from);
      const authData = dataFor(rpId, PRESENT | (verified ? VERIFIED : 0));
      const signature = sign('sha256', Buffer.concat([authData, sha256(clientData)]), privateKey);
      return {
        ...credential,
        response: {
          clientDataJSON: url64(clientData),
          authenticatorData: url64(authData),
          signature: url64(signature),
        },
      };
    },
    /** As a copy of the device would, that was made before. */
    turnBack(by: number) {
      counter -= by;
    },
  };
}
