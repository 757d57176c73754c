import { createHash, createHmac, timingSafeEqual } from 'node:crypto';
import { createServer, type IncomingMessage, type Server } from 'node:http';

/** Who may use a store, and where it says it is. */
export interface StoreKey {
  key: string;
  secret: string;
  region: string;
}

const [MOST_BYTES, MOST_OBJECTS] = [10_000_000, 10_000];
const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
const hmac = (key: string | Buffer, text: string) => createHmac('sha256', key).update(text).digest();

/** Whether a request was signed with the key [Signature Version 4, as published for S3]. */
function isSigned({ method, url = '', headers }: IncomingMessage, { key, secret, region }: StoreKey): boolean {
  const given =
    /^AWS4-HMAC-SHA256 Credential=([^/,]+)\/(\d{8})\/([^/,]+)\/s3\/aws4_request, ?SignedHeaders=([a-z0-9;-]+), ?Signature=([0-9a-f]{64})$/.exec(
      headers.authorization ?? '',
    );
  const at = headers['x-amz-date'];
  if (!given || given[1] !== key || given[3] !== region || typeof at !== 'string') return false;
  const [day, signedHeaders, signature] = [given[2]!, given[4]!, given[5]!];
  const { pathname, searchParams } = new URL(url, 'http://store');
  const canonical = [
    method,
    pathname,
    searchParams.toString(),
    ...signedHeaders.split(';').map((name) => `${name}:${String(headers[name] ?? '').trim()}`),
    '',
    signedHeaders,
    String(headers['x-amz-content-sha256']),
  ].join('\n');
  const scope = `${day}/${region}/s3/aws4_request`;
  const signing = [day, region, 's3', 'aws4_request'].reduce<string | Buffer>(hmac, `AWS4${secret}`);
  const wanted = hmac(signing, ['AWS4-HMAC-SHA256', at, scope, sha256(canonical)].join('\n'));
  return timingSafeEqual(wanted, Buffer.from(signature, 'hex'));
}

async function bytesOf(request: IncomingMessage): Promise<Buffer | null> {
  const parts: Buffer[] = [];
  let size = 0;
  for await (const part of request) {
    size += (part as Buffer).length;
    if (size > MOST_BYTES) return null;
    parts.push(part as Buffer);
  }
  return Buffer.concat(parts);
}

/**
 * A small stand-in for an S3-compatible store: one bucket in memory, `PUT`, `GET` and `DELETE` of objects, signed with a key.
 * @returns the server, not listening yet, and what it holds by path
 */
export function objectStore(access: StoreKey): { server: Server; objects: Map<string, Buffer> } {
  const objects = new Map<string, Buffer>();
  const server = createServer((request, response) => {
    const answer = (status: number, body?: Buffer) =>
      response.writeHead(status, { 'Content-Length': body?.length ?? 0 }).end(body);
    const path = new URL(request.url ?? '', 'http://store').pathname;
    if (!isSigned(request, access)) return void answer(403);
    const there = objects.get(path);
    switch (request.method) {
      case 'PUT':
        return void bytesOf(request).then(
          (bytes) => {
            if (!bytes || (objects.size >= MOST_OBJECTS && !there)) return answer(507);
            objects.set(path, bytes);
            return answer(200);
          },
          () => undefined,
        );
      case 'GET':
        return void answer(there ? 200 : 404, there);
      case 'DELETE':
        objects.delete(path);
        return void answer(204);
      default:
        return void answer(405);
    }
  });
  return { server, objects };
}
