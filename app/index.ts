import './src/configure-zod';
import '@expo/metro-runtime';
import { registerRootComponent } from 'expo';
import './src/resting';
import { App } from 'expo-router/build/qualified-entry';
import { drawNext } from './src/ui/turn';
import { openKept } from './src/state/open';

openKept();
// In a task of its own, and in one go: the router's own entry draws in slices, and what comes from the device meanwhile has it begin
// again each time.
drawNext(() => registerRootComponent(App));
