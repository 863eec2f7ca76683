import type { Drive, GeoPoint } from '@early-lantern/contract';
import { simulatedDrive } from '@early-lantern/core';
import { DateTime } from 'luxon';

/** Where the time of a drive comes from. A service of real roads would be another one of these. */
export interface TravelSource {
  drive: (asked: { from: GeoPoint; to: GeoPoint; at: Date; timeZone: string }) => Promise<Drive>;
}

/** The made-up town that ships with the product: no network, the same answer for the same question. */
export const simulatedTravel: TravelSource = {
  drive: async ({ from, to, at, timeZone }) => {
    const local = DateTime.fromJSDate(at, { zone: timeZone });
    const { minutes, km } = simulatedDrive(from, to, {
      hour: local.hour + local.minute / 60,
      isWeekend: local.weekday > 5,
    });
    return { minutes, km, source: 'simulated' };
  },
};
