/** What is needed once in years is loaded then. */
export const loadAnew = () => import('./anew');
export const loadPhotos = () => import('./photos');
export const loadPasskeys = () => import('./passkeys');
export const loadOldReadings = () => import('./old-readings');
