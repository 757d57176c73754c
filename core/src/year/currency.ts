import * as z from 'zod';

/** ISO 4217 code of a currency. */
export const currencySchema = z
  .string()
  .toUpperCase()
  .regex(/^[A-Z]{3}$/, 'Give the currency by its three letters, like EUR.')
  .refine(
    (code) => Intl.supportedValuesOf('currency').includes(code),
    'That currency is not known. Use its three letters, like EUR.',
  );
