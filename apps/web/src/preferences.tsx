import type { LengthUnits } from '@early-lantern/core';
import {
  formatForce,
  formatLength,
  formatMass,
  formatShort,
  formatTemp,
  formatWind,
  inchesToMetres,
  inTheirDegrees,
  METRES_PER_FOOT,
  MS_PER_MPH,
} from '@early-lantern/core';
import { createContext, type ReactNode, useContext, useMemo, useState } from 'react';
import { useSettings } from './api/queries.ts';

interface Units {
  units: LengthUnits;
  setUnits: (units: LengthUnits) => void;
  /** A length, `12 ft 6 in` or `3.81 m`. */
  long: (metres: number) => string;
  /** A width or diameter, `24 in` or `61 cm`. */
  short: (metres: number) => string;
  /** A wind, `18 mph` or `8.0 m/s`; a mass, `22 lb` or `10 kg`; a force, `2.2 lb` or `9.8 N`. */
  wind: (metresPerSecond: number) => string;
  mass: (kg: number) => string;
  /** A floor, `96 sq ft` or `8.9 m²`. */
  area: (squareMetres: number) => string;
  /** A temperature, `91 °F` or `33 °C`, and bare numbers in these units for charts. */
  temp: (celsius: number) => string;
  tempNumber: (celsius: number) => number;
  tempUnit: '°C' | '°F';
  windNumber: (metresPerSecond: number) => number;
  windUnit: 'm/s' | 'mph';
  force: (newtons: number) => string;
  /** Diameters from inches, `10–16 in` or `25.4–40.6 cm`. */
  range: (inches: { min: number; max: number }) => string;
}

const UnitsContext = createContext<Units | undefined>(undefined);
/** Two figures that matter, no more. */
const tidy = (value: number) => (value >= 10 ? value.toFixed(0) : value.toFixed(1));
const KEPT_AS = 'early-lantern-units';

/** Lengths as this person wants them: their own choice in this browser, else the workshop's. */
export function UnitsProvider({ children }: { children: ReactNode }) {
  const settings = useSettings().data;
  const [own, setOwn] = useState<LengthUnits | null>(
    () => localStorage.getItem(KEPT_AS) as LengthUnits | null,
  );
  const units = own ?? settings?.data.units ?? 'imperial';
  const value = useMemo<Units>(
    () => ({
      units,
      setUnits: (wanted) => {
        localStorage.setItem(KEPT_AS, wanted);
        setOwn(wanted);
      },
      long: (metres) => formatLength(metres, units),
      short: (metres) => formatShort(metres, units),
      wind: (speed) => formatWind(speed, units),
      temp: (celsius) => formatTemp(celsius, units),
      tempNumber: (celsius) => inTheirDegrees(celsius, units),
      tempUnit: units === 'metric' ? '°C' : '°F',
      windNumber: (speed) => (units === 'metric' ? speed : speed / MS_PER_MPH),
      windUnit: units === 'metric' ? 'm/s' : 'mph',
      mass: (kg) => formatMass(kg, units),
      area: (m2) => (units === 'metric' ? `${tidy(m2)} m²` : `${tidy(m2 / METRES_PER_FOOT ** 2)} sq ft`),
      force: (newtons) => formatForce(newtons, units),
      range: ({ min, max }) => {
        const [from, to] = [formatShort(inchesToMetres(min), units), formatShort(inchesToMetres(max), units)];
        return min === max ? to : `${from.replace(/ (in|cm)$/, '')}–${to}`;
      },
    }),
    [units],
  );
  return <UnitsContext value={value}>{children}</UnitsContext>;
}

export function useUnits(): Units {
  const units = useContext(UnitsContext);
  if (!units) throw new Error('useUnits needs a UnitsProvider above it');
  return units;
}
