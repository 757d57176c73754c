// What follows the question mark of an address: browsers write it themselves.
export const stringify = (params) =>
  new URLSearchParams(
    Object.entries(params).flatMap(([name, value]) =>
      [value].flat().flatMap((each) => (each === undefined || each === null ? [] : [[name, String(each)]])),
    ),
  ).toString();
