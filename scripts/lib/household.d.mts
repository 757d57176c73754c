export function newHousehold(
  url: string,
): Promise<{ cookie: string | null; householdId: string; instrumentId: string }>;
export function entry(instrumentId: string, type?: string, payload?: object, at?: number): { id: string };
