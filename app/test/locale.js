/** Sentences are looked at as they are written where the day comes before the month. */
Object.defineProperty(navigator, 'language', { configurable: true, value: 'en-GB' });
