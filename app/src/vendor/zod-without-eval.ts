import { config } from 'zod';

// The page's security policy allows no code made from strings, so Zod need not try.
config({ jitless: true });
