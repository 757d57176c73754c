export { ChangePlace as default } from '@/features/air/PlaceForm';
