import { Row, Stack } from './layout';
import { Text } from './Text';

/** Steps that are done one after another; `ruled`: with a hairline above each. */
export function NumberedSteps({ steps, ruled }: { steps: readonly string[]; ruled?: boolean }) {
  return (
    <Stack role="list" gap={ruled ? 'small' : 'half'}>
      {steps.map((step, at) => (
        <Row
          key={step}
          role="listitem"
          gap="half"
          align={ruled ? undefined : 'baseline'}
          padTop={ruled ? 'small' : undefined}
          rule={ruled && 'top'}
        >
          <Text kind="heading" tone="accent" width={ruled ? 22 : 16}>
            {at + 1}
          </Text>
          <Text grow>{step}</Text>
        </Row>
      ))}
    </Stack>
  );
}
