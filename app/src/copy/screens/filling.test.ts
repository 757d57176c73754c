import { QUOTAS } from '@tembrin/contract/quotas';
import { fillingWords } from './filling';

test('room is told of from four fifths on, not before', () => {
  expect(fillingWords({ instruments: 0.8 * QUOTAS.instruments - 1, events: 10 })).toBeNull();
  expect(fillingWords({ instruments: 450, readings: 9_000_000 })).toMatch(
    /^Nearly full: 450 of 500 instruments; 9.000.000 of 10.000.000 readings\. Save/,
  );
});
