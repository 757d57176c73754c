export { ImportRoute as default } from '@/features/air/ImportFile';
