import { lookup as askName, type LookupAddress, type LookupOptions } from 'node:dns';
import { BlockList, isIP } from 'node:net';

/** Addresses that are not of the internet at large: what is behind them is nobody's push service (IANA special-purpose registries). */
const PRIVATE = new BlockList();
for (const [network, bits] of [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.0.2.0', 24],
  ['192.88.99.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['198.51.100.0', 24],
  ['203.0.113.0', 24],
  ['224.0.0.0', 4],
  ['240.0.0.0', 4],
] as const)
  PRIVATE.addSubnet(network, bits, 'ipv4');
for (const [network, bits] of [
  ['::', 128],
  ['::1', 128],
  ['64:ff9b::', 96],
  ['64:ff9b:1::', 48],
  ['100::', 64],
  ['2001::', 23],
  ['2001:db8::', 32],
  ['2002::', 16],
  ['fc00::', 7],
  ['fe80::', 10],
  ['fec0::', 10],
  ['ff00::', 8],
] as const)
  PRIVATE.addSubnet(network, bits, 'ipv6');

/** An address of IPv4 that is written as one of IPv6. */
const MAPPED = /^::(?:ffff:(?:0:)?)?(\d+\.\d+\.\d+\.\d+)$/i;

/** Whether an address is one of this machine, of a network at home, or of no place at all. */
export function isPrivate(address: string): boolean {
  const version = isIP(address);
  if (version === 0) return true;
  if (version === 4) return PRIVATE.check(address, 'ipv4');
  const mapped = MAPPED.exec(address)?.[1];
  if (mapped) return PRIVATE.check(mapped, 'ipv4');
  // Other ways to write an address of IPv4 as one of IPv6.
  if (/^::ffff:/i.test(address)) return true;
  return PRIVATE.check(address, 'ipv6');
}

/** Why nothing may be sent to an address. */
export class ForbiddenAddress extends Error {}

/**
 * Whether a push service may be at an address: HTTPS, by name, at its usual port, without a user; names are looked up when something
 * is sent. @returns what is wrong with it; null: nothing
 */
export function endpointFault(endpoint: string): string | null {
  if (!URL.canParse(endpoint)) return 'is no address';
  const { protocol, hostname, port, username, password } = new URL(endpoint);
  if (protocol !== 'https:') return 'is not protected';
  if (port !== '' || username !== '' || password !== '') return 'has a port or a user';
  const host = hostname.replace(/^\[|\]$/g, '');
  if (isIP(host) !== 0) return 'has no name';
  return !host.includes('.') || /(?:^|\.)(?:localhost|local|internal|home\.arpa)$/i.test(host) ? 'is at home' : null;
}

type Found = (error: Error | null, address: string | LookupAddress[], family?: number) => void;

/** Looks a name up as the network does, and refuses it where any of its addresses is private: what is connected to is what was looked at. */
export function lookupOutside(name: string, options: LookupOptions, found: Found): void {
  askName(name, { ...options, all: true }, (error, addresses) => {
    if (error) return found(error, '');
    const bad = addresses.find(({ address }) => isPrivate(address));
    if (bad || addresses.length === 0)
      return found(new ForbiddenAddress('a push service is not at a private address'), '');
    if (options.all) return found(null, addresses);
    found(null, addresses[0]!.address, addresses[0]!.family);
  });
}
