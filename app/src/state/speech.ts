import { shownLocale } from '@/copy/locale';

/** Whether this browser can read aloud. */
export const canSpeak = () => typeof window !== 'undefined' && 'speechSynthesis' in window;

/** Reads a text aloud, instead of whatever is being read. */
export function speak(text: string): void {
  if (!canSpeak()) return;
  window.speechSynthesis.cancel();
  const words = new SpeechSynthesisUtterance(text);
  words.lang = shownLocale().dates;
  words.rate = 0.95;
  window.speechSynthesis.speak(words);
}

export function hush(): void {
  if (canSpeak()) window.speechSynthesis.cancel();
}
