/** What an analogue level stands for. */
export const readings = [
  { value: null, title: 'not given' },
  { value: 'current' as const, title: 'battery current' },
  { value: 'batteryVoltage' as const, title: 'battery voltage' },
  { value: 'rssi' as const, title: 'RSSI' },
]
