import createClient from 'openapi-fetch'
import type { components, paths } from './schema'

type Schemas = components['schemas']
export type FitView = Schemas['FitView']
export type FitSheet = Schemas['FitSheet']
export type FitLink = Schemas['FitLink']
export type FitPlan = Schemas['FitPlan']
export type FitPort = Schemas['FitPort']
export type FitDevice = Schemas['FitDevice']
export type FitSeat = Schemas['FitSeat']
export type FitLead = Schemas['FitLead']
export type FitCell = Schemas['FitCell']
export type BoardFace = Schemas['BoardFace']
export type FacePad = Schemas['FacePad']
export type PadUse = Schemas['PadUse']
export type ChangePreview = Schemas['ChangePreview']
export type PartLine = Schemas['PartLine']
export type Comparison = Schemas['Comparison']
export type PartPage = Schemas['PartPage']
export type Draft = Schemas['Draft']
export type DraftView = Schemas['DraftView']
export type DraftFits = Schemas['DraftFits']
export type DraftLink = Schemas['DraftLink']
export type Unfit = Schemas['Unfit']
export type BuildDevice = Schemas['BuildDevice']
export type Lane = Schemas['Lane']
export type FitStrand = Schemas['FitStrand']
export type WaveStep = Schemas['WaveStep']
export type Polarity = Schemas['Polarity']
export type Finding = Schemas['Finding']
export type Severity = Schemas['Severity']
export type Wish = Schemas['Wish']
export type BuildChange = Schemas['BuildChange']
export type ShelfBuild = Schemas['ShelfBuild']
export type RuleText = Schemas['RuleText']
export type Setup = Schemas['Setup']
export type HouseRules = Schemas['HouseRules']
export type SetupChoices = Schemas['SetupChoices']
export type PartChoice = Schemas['PartChoice']
export type PartsChange = Schemas['PartsChange']
export type LinkUnlocks = Schemas['LinkUnlocks']
export type FitConflict = Schemas['FitConflict']
export type Priority = Schemas['Priority']
export type Choice = Schemas['Choice']
export type SweepStep = Schemas['SweepStep']
export type Board = Schemas['Board']
export type Device = Schemas['Device']
export type BoardAnswer = Schemas['BoardAnswer']
export type BoardDraft = Schemas['BoardDraft']
export type BoardTried = Schemas['BoardTried']
export type BoardChoices = Schemas['BoardChoices']
export type BuildTouched = Schemas['BuildTouched']
export type DeviceChoices = Schemas['DeviceChoices']
export type DeviceLook = Schemas['DeviceLook']
export type DeviceNote = Schemas['DeviceNote']
export type DeviceStep = Schemas['DeviceStep']
export type ModeLook = Schemas['ModeLook']
export type IntakeChoice = Schemas['IntakeChoice']
export type IntakeDecision = Schemas['IntakeDecision']
export type IntakePart = Schemas['IntakePart']
export type IntakeView = Schemas['IntakeView']
export type FieldNote = Schemas['FieldNote']
export type LeafletStep = Schemas['LeafletStep']
export type PadLook = Schemas['PadLook']
export type PathPattern = Schemas['PathPattern']
export type PartStep = Schemas['PartStep']
export type SweepLine = Schemas['SweepLine']
export type RailsView = Schemas['RailsView']
export type LoomView = Schemas['LoomView']
export type SettingsView = Schemas['SettingsView']
export type Setting = Schemas['Setting']
export type ReadReport = Schemas['ReadReport']
export type DeskView = Schemas['DeskView']
export type Budget = Schemas['Budget']
export type GnssAdvice = Schemas['GnssAdvice']
export type CompassAdvice = Schemas['CompassAdvice']
export type GnssGeneration = NonNullable<Schemas['GnssGeneration']>
export type ModuleReport = Schemas['ModuleReport']
export type ModuleLineView = Schemas['ModuleLineView']
export type SetupFramesView = Schemas['SetupFramesView']
export type Satellite = Schemas['Satellite']
export type KeptText = Schemas['KeptText']
export type TextKind = Schemas['TextKind']
export type FormResult = Schemas['FormResult']
export type BuildSettings = Schemas['BuildSettings']
export type BenchView = Schemas['BenchView']
export type TakenView = Schemas['TakenView']
export type FaultView = Schemas['FaultView']
export type FaultCase = Schemas['FaultCase']
export type Observation = Schemas['Observation']
export type FaultTest = Schemas['FaultTest']
export type NextTest = Schemas['NextTest']
export type CauseLine = Schemas['CauseLine']
export type SeenLine = Schemas['SeenLine']
export type FaultKindView = Schemas['FaultKindView']
export type BenchCheck = Schemas['BenchCheck']
export type Judgement = Schemas['Judgement']
export type Mark = Schemas['Mark']
export type Answer = NonNullable<Schemas['Answer']>
export type CheckState = Schemas['CheckState']
export type LoggedReading = Schemas['LoggedReading']
export type SimulatedBenchView = Schemas['SimulatedBenchView']
export type PointView = Schemas['PointView']
export type NoteRequest = Schemas['NoteRequest']
export type LogView = Schemas['LogView']
export type LogEntry = Schemas['LogEntry']
export type EntryKind = Schemas['EntryKind']
export type MomentsView = Schemas['MomentsView']
export type Otherwise = Schemas['Otherwise']
export type DiffLine = Schemas['DiffLine']
export type Due = Schemas['Due']
export type Interval = Schemas['Interval']
export type TiedTo = Schemas['TiedTo']
export type ClubCraft = Schemas['ClubCraft']
export type FoundLine = Schemas['FoundLine']
export type DrillKind = Schemas['DrillKind']
export type DrillHall = Schemas['DrillHall']
export type DrillPlayed = Schemas['DrillPlayed']
export type DrillView = Schemas['DrillView']
export type DrillResult = Schemas['DrillResult']
export type ActKind = Schemas['ActKind']
export type FaultDrillSheet = Schemas['FaultDrillSheet']
export type DrillStep = Schemas['DrillStep']
export type FaultDebrief = Schemas['FaultDebrief']
export type PlaceDrillSheet = Schemas['PlaceDrillSheet']
export type CardDrillSheet = Schemas['CardDrillSheet']
export type EveningLine = Schemas['EveningLine']
export type EveningView = Schemas['EveningView']
export type AboutView = Schemas['AboutView']
export type TestKind = Schemas['TestKind']
export type RailSheet = Schemas['RailSheet']
export type RailReading = Schemas['RailReading']
export type LeadReading = Schemas['LeadReading']

/** Who works here: a name that stands in the log beside what is done, and beside scores. It is no account. */
export const who = {
  get: () => globalThis.localStorage?.getItem('gorvix-who') ?? '',
  set: (name: string) => globalThis.localStorage?.setItem('gorvix-who', name.trim().slice(0, 60)),
}

// Asked for at each call: the browser's own, or a stand-in in a test.
export const api = createClient<paths>({
  baseUrl: globalThis.location?.origin ?? '',
  fetch: (request) => {
    request.headers.set('Gorvix-Who', encodeURIComponent(who.get()))
    return globalThis.fetch(request)
  },
})

/** What went wrong, as the builder reads it. */
export interface Problem {
  status: number
  sentence: string
  findings: Finding[]
  /** What a fault is found by in the log; none where it is no fault. */
  number?: string
}

/** Makes a problem of any error body; status 0 means that no answer came. */
export function problemOf(body: unknown, status: number): Problem {
  const details = (body ?? {}) as {
    detail?: string
    title?: string
    findings?: Finding[]
    traceId?: string
  }
  return {
    status,
    sentence:
      details.detail ??
      details.title ??
      `The server returned error ${status} without a reason. Try again.`,
    findings: details.findings ?? [],
    ...(status >= 500 && details.traceId ? { number: details.traceId } : {}),
  }
}

const unreachable: Problem = {
  status: 0,
  sentence:
    'Gorvix is not responding. Check that ./start is still running. This page shows the last saved state.',
  findings: [],
}

/** Sends a file as it is. */
export async function sendFile<T>(
  path: string,
  file: File,
): Promise<{ data: T; problem: null } | { data: null; problem: Problem }> {
  return ask<T>(async () => {
    const response = await globalThis.fetch(path, {
      method: 'POST',
      body: file,
      headers: {
        'Content-Type': 'application/octet-stream',
        'Gorvix-Who': encodeURIComponent(who.get()),
      },
    })
    const body = (await response.json().catch(() => undefined)) as T
    return response.ok ? { data: body, response } : { error: body, response }
  })
}

/** Runs a request; a refusal or a dead server comes back as a problem, never as an exception. */
export async function ask<T>(
  request: () => Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<{ data: T; problem: null } | { data: null; problem: Problem }> {
  try {
    const { data, error, response } = await request()
    return response.ok
      ? { data: data as T, problem: null }
      : { data: null, problem: problemOf(error, response.status) }
  } catch {
    return { data: null, problem: unreachable }
  }
}
