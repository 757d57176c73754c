declare module 'http_ece' {
  import type { ECDH } from 'node:crypto';

  /** Reads a message encrypted after RFC 8188, with keys after RFC 8291. @throws where it was not meant for them */
  export function decrypt(
    message: Buffer,
    keys: { version: 'aes128gcm'; privateKey: ECDH; authSecret: string },
  ): Buffer;
}
