// Long lists drawn as they scroll: the app has none, and whoever uses one is told.
export default function LeftOut() {
  throw new Error('Long lists are left out of the bundle: see metro.config.js.');
}
