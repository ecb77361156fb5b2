export const hoursWord = (hours: number): string =>
  hours < 1 ? `${Math.round(hours * 60)} minutes` : `${hours} ${hours === 1 ? 'hour' : 'hours'}`;

/** Minutes of work as they are told: minutes below two hours, then hours. */
export const minutesWord = (minutes: number): string =>
  minutes < 120 ? `${Math.round(minutes)} min` : `${(minutes / 60).toFixed(1)} h`;
