export { ChangePlace as default } from '@/moments/air/PlaceForm';
