/** Where days left are counted: a table at home, the same for every lot so that lots compare. */
export const TABLE = { tempC: 21, humidityPct: 60, ethylenePpm: 0, litHours: 14 } as const;
export const TABLE_CHANGE_DAYS = 4;
