import type * as z from 'zod';

export const API_ROOT = '/api/v1';
/** Every request that changes something carries this header; a page of another origin cannot set it. */
export const REQUEST_HEADER = 'x-tembrin';

export interface Operation {
  method: 'get' | 'post' | 'put' | 'delete';
  /** Path under the API root; `:name` marks a parameter. */
  path: string;
  /**
   * open: anyone; household: the signed-in household only; account: who is signed in to an account, about that alone; sensor,
   * address: whoever has the sensor's key or the private address.
   */
  access: 'open' | 'household' | 'account' | 'sensor' | 'address';
  /** Answered with this status when it goes well; 204 has no body. */
  status: 200 | 201 | 204;
  params?: z.ZodType;
  query?: z.ZodType;
  body?: z.ZodType;
  response?: z.ZodType;
  /** Takes `If-Match` with the version last seen; 412 when somebody else was quicker. */
  versioned?: boolean;
  /** Guarded by the limit on sign-in attempts, or by that on mail that anybody may have sent to an address. */
  limited?: 'attempts' | 'mail';
  /** Whoever gets through it has shown that the address in its body is their own: the place they did it from is known from then on. */
  showsWho?: boolean;
  /** Its body is a file that the handler reads as it comes. */
  stream?: boolean;
  /** Its file is small: it counts among the changes, not among the files. */
  small?: boolean;
  /** Takes the server long: counted against a limit of its own, as files are. */
  costly?: boolean;
  /** Answered with text of this media type instead of JSON. */
  text?: 'text/csv' | 'text/calendar' | 'text/vcard' | 'application/json';
  /** Answered with bytes of this media type instead of JSON. */
  bytes?: 'image/jpeg' | 'application/zip' | 'application/pdf';
  /** Further parameters of its content type. */
  textParameters?: string;
  /** Name under which a browser keeps the answer. */
  file?: string;
}
