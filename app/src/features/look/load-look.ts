/** What another page needs of the look-over: it comes with the pages of it, whose guides it goes by. */
export const loadWholeLook = async () => (await import('./look-pages')).wholeLookOf;
