import * as z from 'zod';
import { provide } from './zod-later';

// The page's security policy allows no code made from strings, so Zod need not try.
z.config({ jitless: true });
provide(z);
