import { TextDecoder } from 'node:util';
import { encodingOf, type Encoding } from '@tembrin/core';

/**
 * Bytes to text as they come: in the encoding that the first of them tell. Where a file that began as UTF-8 turns out to be
 * none, it is read on in Windows-1252, which every byte can be read in.
 */
export class TextStream {
  private encoding: Encoding | null = null;
  private decoder: TextDecoder | null = null;

  text(chunk: Uint8Array): string {
    this.encoding ??= encodingOf(chunk);
    this.decoder ??= new TextDecoder(this.encoding, { fatal: this.encoding === 'utf-8' });
    try {
      return this.decoder.decode(chunk, { stream: true });
    } catch {
      this.encoding = 'windows-1252';
      this.decoder = new TextDecoder(this.encoding);
      return this.decoder.decode(chunk, { stream: true });
    }
  }

  end(): string {
    try {
      return this.decoder?.decode() ?? '';
    } catch {
      // A letter that was cut off at the very end.
      return '';
    }
  }
}
