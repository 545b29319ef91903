/** Short names for what the API speaks of; the shapes themselves are generated. */
import type { components } from './schema'

type Schemas = components['schemas']
export type Session = Schemas['SessionOut']
export type Person = Schemas['SessionOut.PersonOut']
export type Role = Person['role']
export type Catalogue = Schemas['CatalogueOut']
export type Sortie = Schemas['SortieOut']
export type SortieIn = Schemas['SortieIn']
export type SortieChange = Schemas['SortieChange']
export type Runway = Schemas['SortieOut.RunwayEnd']
export type Brief = Schemas['BriefOut.BriefAnswer']
export type BriefOut = Schemas['BriefOut']
export type BriefChanges = Schemas['BriefChanges']
export type Laps = Schemas['LapsOut']
export type Lap = Schemas['LapsOut.LapOut']
export type LapIn = Schemas['LapIn']
export type Outcome = LapIn['outcome']
export type Drift = NonNullable<LapIn['drift']>
export type LandingKind = Sortie['landing']
