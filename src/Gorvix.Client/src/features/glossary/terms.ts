import type { Polarity } from '@/api/client'

/** A term of the trade, as manuals use it. */
export interface Term {
  /** Names it in addresses. */
  id: string
  term: string
  /** Other names for it. */
  also?: string
  means: string
  /** How the line rests, where the term is about that. */
  pulse?: Polarity
}

/** The terms that the screens use, in the words of common practice. */
export const terms: Term[] = [
  {
    id: 'uart',
    term: 'UART',
    also: 'serial port, hardware serial',
    means:
      'A serial port of the flight controller: one pin transmits (TX), one receives (RX). Each UART does one job at a time; most have both pins on pads.',
  },
  {
    id: 'rx-tx',
    term: 'RX and TX',
    means:
      'RX receives, TX transmits – seen from the part they are printed on. So the device’s TX goes to the board’s RX, and the other way round.',
  },
  {
    id: 'half-duplex',
    term: 'Half-duplex',
    also: 'one-wire, single-wire',
    means:
      'Both sides talk on one wire, in turn. On the board it goes to a TX pad unless its manual says otherwise.',
  },
  {
    id: 'full-uart',
    term: 'Full UART',
    means:
      'A UART whose RX and TX are both free on pads. “RX only” or “TX only” means the other half is missing or in use.',
  },
  {
    id: 'software-serial',
    term: 'Software serial',
    means:
      'A serial port made by the processor on any timer pin. Slow and costly in CPU load; good for 19 200 baud, not for a receiver.',
  },
  {
    id: 'inverted',
    term: 'Inverted',
    also: 'idles low',
    means:
      'The line rests at 0 V and pulses high. SBUS and S.Port are inverted; a port that expects a non-inverted signal reads garbage or nothing.',
    pulse: 'inverted',
  },
  {
    id: 'non-inverted',
    term: 'Non-inverted',
    also: 'normal, idles high',
    means:
      'The line rests high and pulses low: the usual state of a UART. CRSF, UBX and most GPS modules are non-inverted.',
    pulse: 'normal',
  },
  {
    id: 'inverter',
    term: 'Inverter',
    means:
      'Flips a signal. F4 controllers cannot flip inside, so boards carry an inverter before a pad marked SBUS; F7, H7, G4 and F3 flip by a setting.',
  },
  {
    id: 'pad',
    term: 'Pad',
    means:
      'The bare metal spot a wire is soldered to. Its printed label is what counts, not its place in the row.',
  },
  {
    id: 'lead',
    term: 'Lead',
    means:
      'A wire that comes with a device. Its colour helps, its function decides: colours differ from batch to batch.',
  },
  {
    id: 'socket',
    term: 'Socket and plug',
    means:
      'The socket sits on the board, the plug on the cable. Two sockets with the same number of pins need not have the same order: match signals, never positions.',
  },
  {
    id: 'de-pin',
    term: 'De-pin',
    means:
      'Take one contact out of a plug by lifting its latch, and insulate it. The rest of the plug stays as it is.',
  },
  {
    id: 'pigtail',
    term: 'Pigtail',
    means: 'A short cable with a plug at one end and bare wires at the other.',
  },
  {
    id: 'solder-jumper',
    term: 'Solder jumper',
    means:
      'Two or three small pads that a blob of solder joins, to choose a voltage or a signal path. “Open” means no solder.',
  },
  {
    id: 'rail',
    term: 'Rail',
    means:
      'A supply on the board, named by its voltage: 5V, 9V, 3V3, or BAT for the battery itself. Every load on a rail counts against its limit.',
  },
  {
    id: 'bec',
    term: 'BEC',
    also: 'regulator',
    means:
      'The part that makes a rail from the battery. A switching one wastes little; a linear one (LDO) turns the difference into heat.',
  },
  {
    id: 'ldo',
    term: 'LDO',
    also: 'linear regulator',
    means:
      'A linear regulator: quiet, but its losses are (volts in − volts out) × current, as heat.',
  },
  {
    id: 'dropout',
    term: 'Dropout',
    means:
      'How far the input must stay above the output for a regulator to hold. Below that the output sags with the battery.',
  },
  {
    id: 'brown-out',
    term: 'Brown-out',
    means:
      'A supply dips below what a device needs for a moment: the device restarts, often in flight. Weak rails brown out at peak current.',
  },
  { id: 'quiescent', term: 'Quiescent current', means: 'What a part draws while it does nothing.' },
  {
    id: 'usb-power',
    term: 'USB power',
    means:
      'What runs with only USB plugged in. Many boards feed just the processor and one 5 V rail; a VTX on battery volts stays off.',
  },
  {
    id: 'pull-up',
    term: 'Pull-up',
    means:
      'A resistor that holds a line high while nobody drives it. I²C needs one on SDA and SCL.',
  },
  {
    id: 'i2c',
    term: 'I²C',
    also: 'SDA, SCL',
    means:
      'A two-wire bus for compass, barometer and the like. Each part has an address; two parts with one address cannot share a bus.',
  },
  {
    id: 'baud',
    term: 'Baud',
    means: 'Bits a second on a serial line. Both ends must agree to within about 2 %.',
  },
  {
    id: '8n1',
    term: '8N1, 8E2',
    also: 'framing',
    means:
      'Data bits, parity (N none, E even), stop bits. SBUS is 100 000 baud 8E2; most others are 8N1.',
  },
  {
    id: 'sbus',
    term: 'SBUS',
    means: 'A receiver protocol: inverted, 100 000 baud, 8E2, one wire from receiver to board.',
    pulse: 'inverted',
  },
  {
    id: 'crsf',
    term: 'CRSF',
    means:
      'A receiver protocol that also carries telemetry back: non-inverted, both RX and TX, 420 000 baud on most boards.',
    pulse: 'normal',
  },
  {
    id: 'ppm',
    term: 'PPM',
    also: 'CPPM',
    means:
      'All channels as pulses on one wire; needs a timer pin, not a UART. Slow, kept for old receivers.',
  },
  {
    id: 'telemetry',
    term: 'Telemetry',
    means: 'Data from the aircraft to the radio: battery volts, position, link quality.',
  },
  {
    id: 'in-band',
    term: 'In-band',
    means:
      'Data that travels inside another link – telemetry over CRSF – and needs no port or wire of its own.',
  },
  {
    id: 'vtx',
    term: 'VTX',
    also: 'video transmitter',
    means:
      'Sends the picture to the goggles. Never power it without its antenna, and keep air moving over it.',
  },
  {
    id: 'vtx-control',
    term: 'VTX control',
    means: 'One wire by which the board sets band, channel and power of the video transmitter.',
  },
  {
    id: 'osd',
    term: 'OSD',
    means:
      'Flight data drawn over the picture: by a chip on the board for analogue video, by the air unit for digital.',
  },
  {
    id: 'air-unit',
    term: 'Air unit',
    means:
      'The digital video transmitter with its camera. Talks to the board on a full UART for OSD and arming.',
  },
  {
    id: 'esc-telemetry',
    term: 'ESC telemetry',
    means:
      'Speed, current and temperature from the speed controllers, on one RX shared by all four.',
  },
  {
    id: 'gnss',
    term: 'GNSS module',
    also: 'GPS',
    means:
      'Finds the position from satellites. Often carries a compass on the same cable: a UART and I²C together.',
  },
  {
    id: 'declination',
    term: 'Declination',
    means:
      'The angle between magnetic and true north where you fly. It drifts a little every year.',
  },
  {
    id: 'bind',
    term: 'Bind',
    means: 'Pair receiver and radio, once. Do it before the receiver is out of reach in the frame.',
  },
  {
    id: 'failsafe',
    term: 'Failsafe',
    means: 'What the aircraft does when the RC link is lost. Test it on the bench, propellers off.',
  },
  {
    id: 'bootloader',
    term: 'Bootloader',
    means:
      'The small program that loads new firmware. A receiver powered by USB may sit in it: fast blink, no link.',
  },
  {
    id: 'dump',
    term: 'Dump',
    means: 'All settings of the board as text. Save one before you change anything.',
  },
  {
    id: 'limiter',
    term: 'Current limiter',
    also: 'smoke stopper, bulb',
    means:
      'Goes between battery and aircraft at the first power-up: a short makes it light or trip instead of burning a part.',
  },
  {
    id: 'continuity',
    term: 'Continuity',
    means: 'The meter beeps when two points are joined. Test with the battery off.',
  },
  {
    id: 'awg',
    term: 'AWG',
    means:
      'Wire gauge: the higher the number the thinner the wire. 28–30 for signals, thicker for supplies.',
  },
  {
    id: 'cell',
    term: 'Cell, 4S',
    means:
      'A pack’s cells in series. Full 4.2 V a cell, empty about 3.3 V: a 4S pack spans 16.8 to 13.2 V.',
  },
  {
    id: 'pin',
    term: 'Your pin',
    means:
      'A place you insist on in Fit: the plan keeps it and finds the best for the rest. Not the pin of a connector.',
  },
  {
    id: 'displaces',
    term: 'Displaces',
    means: 'Putting the link there would move or drop others; the number says how many.',
  },
]

export const termOf = (id: string) => terms.find((t) => t.id === id)
