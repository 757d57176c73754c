export { AddPlace as default } from '@/moments/air/PlaceForm';
