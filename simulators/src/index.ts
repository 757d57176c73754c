export { demoLibrary, type DemoLibrary } from './library';
