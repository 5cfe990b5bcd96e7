import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A team with its own records; nothing in it can be seen from another. */
@Entity('workspace')
export class Workspace {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'workspace_pkey' })
  id!: string;
  @Column({ type: 'text' })
  name!: string;
  /** ISO 3166 code assumed for cards that do not tell theirs. */
  @Column({ type: 'char', length: 2 })
  country!: string;
  /** ISO 639-1 codes of languages expected on cards beside the country's own. */
  @Column({ type: 'text', array: true, default: () => "'{}'" })
  languages!: string[];
  /** Names of fields that this team files beside the usual ones. */
  @Column({ name: 'own_fields', type: 'text', array: true, default: () => "'{}'" })
  ownFields!: string[];
  /** Cards without any doubt are filed without a person. */
  @Column({ name: 'files_itself', type: 'boolean', default: false })
  filesItself!: boolean;
  /** Likelihood from which two records are taken for one person, 0–1. */
  @Column({ name: 'same_from', type: 'real', default: 0.95 })
  sameFrom!: number;
  /** Likelihood from which somebody is asked whether two are one person, 0–1. */
  @Column({ name: 'perhaps_from', type: 'real', default: 0.05 })
  perhapsFrom!: number;
  /** The team's words for rating people. */
  @Column({ type: 'text', array: true, default: () => "'{Hot,Warm,Cool}'" })
  ratings!: string[];
  /** What is kept once a card is filed. */
  @Column({ name: 'keep_pictures', type: 'text', default: 'photo' })
  keepPictures!: 'photo' | 'card' | 'none';
  /** After so many days no picture of a filed card is kept; null for as long as the record. */
  @Column({ name: 'keep_days', type: 'integer', nullable: true })
  keepDays!: number | null;
  /** When pictures of what was filed before go as `clearTo` says; null for never. */
  @Column({ name: 'clear_at', type: 'timestamptz', nullable: true })
  clearAt!: Date | null;
  @Column({ name: 'clear_to', type: 'jsonb', nullable: true })
  clearTo!: { keepPictures: 'photo' | 'card' | 'none'; keepDays: number | null } | null;
  /** How often a backup is made by itself. */
  @Column({ name: 'backup_every', type: 'text', default: 'never' })
  backupEvery!: 'never' | 'day' | 'week';
  /** So many of them are kept. */
  @Column({ name: 'backup_keep', type: 'integer', default: 7 })
  backupKeep!: number;
  /** After so many days a lead that nobody touched stands in Today. */
  @Column({ name: 'untouched_days', type: 'integer', default: 7 })
  untouchedDays!: number;
  /** Words for how far leads are. */
  @Column({
    name: 'lead_statuses',
    type: 'text',
    array: true,
    default: () => '\'{New,"Talked to","Wants to hear more","Not now"}\'',
  })
  leadStatuses!: string[];
  /** Why leads are closed. */
  @Column({
    name: 'close_reasons',
    type: 'text',
    array: true,
    default: () => '\'{"No need","No money","Has somebody else","No answer","Not a buyer"}\'',
  })
  closeReasons!: string[];
  @Column({
    name: 'win_reasons',
    type: 'text',
    array: true,
    default: () => '\'{"Best fit",Price,Service,"Knows us"}\'',
  })
  winReasons!: string[];
  @Column({
    name: 'loss_reasons',
    type: 'text',
    array: true,
    default: () => '\'{Price,"Somebody else","Put off","Need is gone","No answer"}\'',
  })
  lossReasons!: string[];
  /** What business is about. */
  @Column({ type: 'text', array: true, default: () => "'{}'" })
  products!: string[];
  /** ISO 4217, of sums of all. */
  @Column({ type: 'text', default: 'EUR' })
  currency!: string;
  /** What one unit of another currency is worth in that one. */
  @Column({ type: 'jsonb', default: () => "'[]'" })
  rates!: { currency: string; rate: number }[];
  /** What is wanted in a month. */
  @Column({ type: 'jsonb', default: () => "'[]'" })
  goals!: { month: string; value: number }[];
  /** Whose figures reps see. */
  @Column({ type: 'text', default: 'own' })
  figures!: 'own' | 'all';
  /** Days and months of figures are those of this place. */
  @Column({ name: 'time_zone', type: 'text', default: 'UTC' })
  timeZone!: string;
  /** Whether deleting somebody in an address book on a device deletes them here. */
  @Column({ name: 'devices_delete', type: 'boolean', default: false })
  devicesDelete!: boolean;
  /** A directory of firms and people that is asked; its key is sealed. */
  @Column({ name: 'directory_address', type: 'text', nullable: true })
  directoryAddress!: string | null;
  @Column({ name: 'directory_key', type: 'text', nullable: true })
  directoryKey!: string | null;
  /** Whether portraits are taken from it. */
  @Column({ name: 'directory_portraits', type: 'boolean', default: false })
  directoryPortraits!: boolean;
  /** Web pages of others whose scripts may ask here, with a token. */
  @Column({ name: 'allowed_origins', type: 'text', array: true, default: () => "'{}'" })
  allowedOrigins!: string[];
}
