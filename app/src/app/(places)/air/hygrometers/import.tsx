export { ImportRoute as default } from '@/moments/air/ImportFile';
