import { Slot } from 'expo-router';
export default function L() { return <Slot />; }
