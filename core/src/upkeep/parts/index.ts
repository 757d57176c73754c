export * from './thread';
export * from './two-clock';
export * from './strings';
export * from './hair';
export * from './rosin';
export * from './residue';
export * from './checkup';
export * from './air';
