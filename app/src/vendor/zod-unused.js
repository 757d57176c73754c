// Parts of Zod that the app has no use for: schemas as JSON Schema, and schemas turned into code.
const none = () => undefined;

export const createStandardJSONSchemaMethod = none;
export const createToJSONSchemaMethod = () => none;
