// The router's list of pages, and a header's field to search by: neither is ever shown.
const none = () => null;

export const Sitemap = none;
export const getNavOptions = () => ({});
export const HeaderSearchBar = none;
export default none;
