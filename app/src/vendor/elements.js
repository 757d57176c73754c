// What the router asks of a page: whether it can be drawn. React says so itself when it draws it.
export const isValidElementType = (type) => type !== null && ['string', 'function', 'object'].includes(typeof type);
