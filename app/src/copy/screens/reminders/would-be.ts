/** What stands where nobody is reminded: what would be told. */
export const copy = {
  demo: 'From the demo library nobody is reminded: there is nobody to write to. This is what its keeper would be told of.',
  wouldBe: 'To be told',
  nothing: 'Nothing asks for anything just now.',
} as const;
