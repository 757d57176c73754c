export const WAITING = 'Working it out …';
