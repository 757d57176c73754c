import * as z from 'zod';

// The page's security policy allows no code made from strings. Imported before any schema is made, so that none tries.
z.config({ jitless: true });
