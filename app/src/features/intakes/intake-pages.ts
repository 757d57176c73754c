export { ImportRoute } from '../air/ImportFile';
export { Diary } from '../year/Diary';
