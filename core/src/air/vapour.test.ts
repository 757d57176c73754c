import fc from 'fast-check';
import psychrolib from 'psychrolib';
import { absoluteGm3, dewPointC, heatedRh, rhOfAbsolute, saturationHpa, vapourHpa } from '.';

psychrolib.SetUnitSystem(psychrolib.SI);
const temperatures = fc.double({ min: -20, max: 45, noNaN: true });
const humidities = fc.double({ min: 0.05, max: 1, noNaN: true });

test('saturation over water as in the tables', () => {
  // Published: WMO-No. 8, annex on formulae; 6.112 hPa at 0 °C by definition. The others from memory of the tables.
  expect(saturationHpa(0)).toBeCloseTo(6.112, 3);
  expect(saturationHpa(20)).toBeCloseTo(23.37, 0);
  expect(saturationHpa(30)).toBeCloseTo(42.43, 0);
  expect(saturationHpa(-10)).toBeCloseTo(2.86, 1);
  expect(saturationHpa(-10, 'ice')).toBeCloseTo(2.6, 1);
});

test('dew point, vapour pressure and absolute humidity agree with an independent implementation of the ASHRAE Handbook', () => {
  // psychrolib takes saturation below 0 °C over ice; relative humidity here is over water, so frost is compared by vapour pressure.
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 45, noNaN: true }), humidities, (tempC, rh) => {
      const hpa = psychrolib.GetVapPresFromRelHum(tempC, rh) / 100;
      expect(Math.abs(vapourHpa(rh, tempC) / hpa - 1)).toBeLessThan(0.004);
      const dew = psychrolib.GetTDewPointFromRelHum(tempC, rh);
      if (dew > 0) expect(Math.abs(dewPointC(rh, tempC) - dew)).toBeLessThan(0.1);
      const density = (hpa * 100) / (461.5 * (tempC + 273.15));
      expect(Math.abs(absoluteGm3(rh, tempC) / (density * 1000) - 1)).toBeLessThan(0.005);
    }),
  );
  fc.assert(
    fc.property(fc.double({ min: -20, max: 0, noNaN: true }), (tempC) => {
      expect(Math.abs((saturationHpa(tempC, 'ice') * 100) / psychrolib.GetSatVapPres(tempC) - 1)).toBeLessThan(0.006);
    }),
  );
});

test('the dew point is where air is saturated, and absolute humidity turns back into relative', () => {
  fc.assert(
    fc.property(temperatures, humidities, (tempC, rh) => {
      expect(saturationHpa(dewPointC(rh, tempC))).toBeCloseTo(vapourHpa(rh, tempC), 6);
      expect(rhOfAbsolute(absoluteGm3(rh, tempC), tempC)).toBeCloseTo(rh, 9);
    }),
  );
});

test('frosty air heated indoors is dry', () => {
  // Handbook 3: −5 °C and 80 % becomes about 13–14 % at 21 °C.
  expect(heatedRh(0.8, -5, 21)).toBeGreaterThan(0.13);
  expect(heatedRh(0.8, -5, 21)).toBeLessThan(0.14);
});
