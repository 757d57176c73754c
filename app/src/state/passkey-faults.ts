/** Made or used somewhere else than where it holds. */
export class NotHere extends Error {
  /** @param host the name in the address where passkeys hold */
  constructor(readonly host: string) {
    super(host);
  }
}

/** The device said no, or its owner did. */
export class NotGiven extends Error {}
