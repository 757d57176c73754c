export { createApp } from './app';
export { connect } from './database/connect';
export { migrate } from './database/migrate';
export { DemoLibraries } from './jobs/demo-libraries';
