export const EYES =
  'A string under tension can whip. Turn the face away, and wear glasses when bringing a thin one up.';
export const CHILD = 'A teacher or another adult who has done it fits strings for a child or a beginner.';
