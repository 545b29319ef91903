/** Short names for what the API speaks of; the shapes themselves are generated. */
import type { components, paths } from './schema'

type Schemas = components['schemas']
/** `is_kept`: who was signed in last, answered by this device because the server could not be asked, or knows nobody */
export type Session = Schemas['SessionOut'] & { is_kept?: boolean }
export type Person = Schemas['PersonOut']
export type Role = Person['role']
export type Catalogue = Schemas['CatalogueOut']
export type Sortie = Schemas['SortieOut']
export type SortieIn = Schemas['SortieIn']
export type SortieChange = Schemas['SortieChange']
export type Runway = Schemas['RunwayEnd']
export type Brief = Schemas['BriefAnswer']
export type Caution = Brief['cautions'][number]
export type BriefOut = Schemas['BriefOut']
export type BriefChanges = Schemas['BriefChanges']
export type Plan = Schemas['Parts']
export type PlanChanges = Schemas['PlanChanges']
export type Takeoff = Schemas['TakeoffAnswer']
export type Pattern = Schemas['PatternAnswer']
export type PatternChoice = Schemas['PatternChoice']
export type RankingIn = Schemas['RankingIn']
export type RankedEnd = Schemas['RankedEnd']
export type Laps = Schemas['LapsOut']
export type Lap = Schemas['LapOut']
export type LapIn = NonNullable<Schemas['SentChanges']['changes'][number]['lap']>
export type SentChange = Schemas['SentChanges']['changes'][number]
export type SentResults = Schemas['SentResults']
export type Aboard = Omit<Schemas['AboardOut'], 'laps' | 'brief' | 'plan'> & {
  laps: Laps
  brief: BriefOut
  plan: { plan: Plan }
}
export type SortieLine = Schemas['SortiesOut']['sorties'][number]
export type SortieSearch = NonNullable<paths['/api/sorties']['get']['parameters']['query']>
export type FlownSortie = Schemas['FlownSortieIn']
export type SchoolChange = Schemas['SchoolChange']
export type Fleet = Schemas['FleetOut']
export type Outcome = LapIn['outcome']
export type Drift = NonNullable<LapIn['drift']>
export type LandingKind = Sortie['landing']
export type PlannedLap = NonNullable<Sortie['lap_plan']>[number]
export type ExerciseKind = PlannedLap['kind']
export type AircraftRow = Catalogue['aircraft'][number]
export type AircraftSpec = Schemas['AircraftIn']['spec']
export type Airfield = Catalogue['airfields'][number]
export type StandardRow = Catalogue['standards'][number]
export type Standard = StandardRow['spec']
export type TechniqueRow = Catalogue['techniques'][number]
export type Technique = TechniqueRow['spec']
export type Dispute = Schemas['DisputesOut']['disputes'][number]
export type Kneeboard = Schemas['KneeboardOut']['kneeboard']
export type TrackLine = Schemas['TracksOut']['tracks'][number]
export type Track = Schemas['TrackOut']
export type TrackEvent = Track['events'][number]
export type TrackLap = Track['laps'][number]
export type Replay = Schemas['ReplayOut']
export type Measure = Schemas['ReadingIn']['measure']
export type Match = Schemas['MatchIn']
export type Pair = Match['pairs'][number]
export type CsvColumns = Schemas['ColumnsIn']
export type ColumnsShown = Schemas['ColumnsShown']
export type GeoJson = Schemas['AirfieldIn']['geojson']
