import { createECDH } from 'node:crypto';
import { readMessage } from './push-service';

test('a message is read as its device reads it: the example of RFC 8291, appendix A', () => {
  const device = createECDH('prime256v1');
  device.setPrivateKey(Buffer.from('q1dXpw3UpT5VOmu_cf_v6ih07Aems3njxI-JWgLcM94', 'base64url'));
  const message = Buffer.from(
    'DGv6ra1nlYgDCS1FRnbzlwAAEABBBP4z9KsN6nGRTbVYI_c7VJSPQTBtkgcy27mlmlMoZIIgDll6e3vCYLocInmYWAmS6TlzAC8wEqKK6PBru3jl7A_yl95bQpu6cVPTpK4Mqgkf1CXztLVBSt2Ks3oZwbuwXPXLWyouBWLVWGNWQexSgSxsj_Qulcy4a-fN',
    'base64url',
  );
  expect(readMessage(message, device, 'BTBZMqHH6r4Tts7J_aSIgg')).toBe('When I grow up, I want to be a watermelon');
  const another = createECDH('prime256v1');
  another.generateKeys();
  expect(() => readMessage(message, another, 'BTBZMqHH6r4Tts7J_aSIgg')).toThrow();
});
