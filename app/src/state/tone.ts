/** A note of so many Hz, sounded by the device. */

type Player = { stop: () => void };

/** Notes below this are carried by what lies above their fundamental: the loudspeaker of a phone has nothing down there. From memory. */
const LOW_HZ = 250;
const LASTS_S = 4;

/** Whether this browser can sound a note. */
export const canSound = (): boolean => typeof AudioContext !== 'undefined';

let sounding: Player | null = null;

/** Ends the note that sounds. */
export function silence(): void {
  sounding?.stop();
  sounding = null;
}

/** Sounds a note for some seconds; one that sounds still ends. */
export function sound(hz: number): void {
  silence();
  const audio = new AudioContext();
  const [note, volume] = [audio.createOscillator(), audio.createGain()];
  note.type = hz < LOW_HZ ? 'sawtooth' : 'triangle';
  note.frequency.value = hz;
  const end = audio.currentTime + LASTS_S;
  volume.gain.setValueAtTime(0.4, audio.currentTime);
  volume.gain.exponentialRampToValueAtTime(0.001, end);
  note.connect(volume).connect(audio.destination);
  note.start();
  note.stop(end);
  note.onended = () => void audio.close();
  sounding = { stop: () => note.stop() };
}
