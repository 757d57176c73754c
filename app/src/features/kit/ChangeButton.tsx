import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useMay } from '@/state/people';
import { Button } from '@/ui/Button';

/** Leads to where an instrument's facts are changed. */
export function ChangeButton({ instrument: { id, name } }: { instrument: Instrument }) {
  if (!useMay('arrange')) return null;
  return (
    <Button
      rank="plain"
      title="Change"
      label={`Change ${name}`}
      onPress={() => router.push({ pathname: '/kit/[id]/change', params: { id } })}
    />
  );
}
