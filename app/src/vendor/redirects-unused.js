// Addresses of the router that lead to others by its settings: there are none, they lead by the pages themselves.
export const applyRedirects = (url) => url;
export const getRedirectModule = () => null;
export const convertRedirect = (path) => path;
export const mergeVariablesWithPath = (path) => path;
