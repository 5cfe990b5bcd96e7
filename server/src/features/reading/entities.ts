import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import type { Quad } from '@dossier/core/capture';
import type { Area } from '@dossier/core/proof';
import type { FieldProposal, LearnedAddress, Reading, SecondReading } from '@dossier/core/reading';
import { StoredFile } from '../../platform/entities';
import { Workspace } from '../account';
import { Occasion, Photo } from '../capture';

/** The mark that was found in a reading of a card; null where there is none. */
export interface CardLogo {
  readingId: string;
  area: Area | null;
}

/** What becomes of a card, see `cardStates`. */
export type CardState = 'toProve' | 'needsPerson' | 'setAside' | 'filed' | 'discarded' | 'attached';

export interface CardExpectation {
  /** ISO 3166. */
  country: string | null;
  /** ISO 639-1. */
  languages: string[];
}

/** A consent ticked on a page of ours. */
export interface VisitorConsent {
  scope: string;
  /** What stood beside the tick, word for word. */
  wording: string;
  /** ISO 8601. */
  at: string;
}

/** One card, found in a photograph or made from text, with what was read on it and what is proposed. */
@Entity('card')
@Index('card_tray', ['workspaceId', 'state', 'takenAt', 'id'])
@Index('card_photo', ['photoId'])
@Index('card_file', ['fileId'])
@Index('card_person', ['personId'])
@Index('card_front', ['frontCardId'])
@Index('card_occasion', ['occasionId'])
@Index('card_taken', { synchronize: false })
@Index('card_reread_due', { synchronize: false })
export class Card {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'card_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'card_workspace_fk' })
  workspace?: Relation<Workspace>;
  /** Null for a card made from text. */
  @Column({ name: 'photo_id', type: 'uuid', nullable: true })
  photoId!: string | null;
  @ManyToOne(() => Photo, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'photo_id', foreignKeyConstraintName: 'card_photo_fk' })
  photo?: Relation<Photo> | null;
  @Column({ name: 'occasion_id', type: 'uuid', nullable: true })
  occasionId!: string | null;
  @ManyToOne(() => Occasion, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'occasion_id', foreignKeyConstraintName: 'card_occasion_fk' })
  occasion?: Relation<Occasion> | null;
  /** The rectified, upright picture of the card; null when there is none, or it has been removed. */
  @Column({ name: 'file_id', type: 'uuid', nullable: true })
  fileId!: string | null;
  @ManyToOne(() => StoredFile, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'file_id', foreignKeyConstraintName: 'card_file_fk' })
  file?: Relation<StoredFile> | null;
  @Column({ name: 'thumbnail_id', type: 'uuid', nullable: true })
  thumbnailId!: string | null;
  @Column({ type: 'text' })
  state!: CardState;
  /** The card whose back this is; only of attached ones. */
  @Column({ name: 'front_card_id', type: 'uuid', nullable: true })
  frontCardId!: string | null;
  /** Outline in pixels of the displayed photograph; null when the whole picture stands for the card. */
  @Column({ type: 'jsonb', nullable: true })
  quad!: Quad | null;
  /** Another one each time the card is read. */
  @Column({ name: 'reading_id', type: 'uuid' })
  readingId!: string;
  @Column({ type: 'jsonb' })
  reading!: Reading;
  /** What was seen when it was read a second time; loaded where it is asked for. */
  @Column({ type: 'jsonb', nullable: true, select: false })
  again!: SecondReading | null;
  /** Whether it is still to be read a second time. */
  @Column({ name: 'reread_due', type: 'boolean', default: false })
  rereadDue!: boolean;
  @Column({ type: 'jsonb' })
  proposals!: FieldProposal[];
  @Column({ type: 'text', nullable: true })
  country!: string | null;
  /** Where a firm's mark stands on it, in pixels of that reading; null until somebody wanted to know. */
  @Column({ type: 'jsonb', nullable: true })
  logo!: CardLogo | null;
  /** What a person expects of this card in place of what its occasion and workspace say. */
  @Column({ type: 'jsonb', nullable: true })
  expected!: CardExpectation | null;
  /** What a person has made of it so far. */
  @Column({ type: 'jsonb', nullable: true })
  draft!: object | null;
  /** Goes up with every change of the draft. */
  @Column({ name: 'draft_version', type: 'integer', default: 0 })
  draftVersion!: number;
  @Column({ name: 'draft_by', type: 'uuid', nullable: true })
  draftBy!: string | null;
  @Column({ name: 'draft_at', type: 'timestamptz', nullable: true })
  draftAt!: Date | null;
  /** What a visitor agreed to who wrote this card of themselves; it is on record once the card is filed. */
  @Column({ type: 'jsonb', nullable: true })
  consent!: VisitorConsent | null;
  /** Which models and methods read it. */
  @Column({ type: 'text' })
  engine!: string;
  /** Who it was filed as. */
  @Column({ name: 'person_id', type: 'uuid', nullable: true })
  personId!: string | null;
  /** Who photographed it, or typed or pasted its text; null when that is not known any more. */
  @Column({ name: 'made_by', type: 'uuid', nullable: true })
  madeBy!: string | null;
  @Column({ name: 'taken_at', type: 'timestamptz' })
  takenAt!: Date;
  @Column({ name: 'discarded_at', type: 'timestamptz', nullable: true })
  discardedAt!: Date | null;
  @Column({ name: 'filed_at', type: 'timestamptz', nullable: true })
  filedAt!: Date | null;
  /** What is kept of its pictures, as it was decided when it was filed; null before. */
  @Column({ type: 'text', nullable: true })
  kept!: 'photo' | 'card' | 'none' | null;
  /** Until when any of it is kept; null for as long as the record. */
  @Column({ name: 'keep_until', type: 'timestamptz', nullable: true })
  keepUntil!: Date | null;
}

/** Something that a workspace's filed cards have taught, used for its next cards until a person revokes it. */
@Entity('learned_fact')
@Index('learned_fact_once', ['workspaceId', 'kind', 'domain', 'key'], { unique: true })
export class LearnedFact {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'learned_fact_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'learned_fact_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  kind!: 'company' | 'phone' | 'address' | 'title';
  /** Registered domain of the firm; empty for words. */
  @Column({ type: 'text' })
  domain!: string;
  /** What makes two facts of a kind the same. */
  @Column({ type: 'text' })
  key!: string;
  @Column({ type: 'jsonb' })
  value!: string | LearnedAddress;
  /** From the cards of how many people. */
  @Column({ type: 'integer' })
  times!: number;
  /** The latest of them. */
  @Column({ name: 'card_id', type: 'uuid' })
  cardId!: string;
  @Column({ name: 'actor_id', type: 'uuid' })
  actorId!: string;
  @Column({ type: 'timestamptz' })
  at!: Date;
  @Column({ name: 'revoked_at', type: 'timestamptz', nullable: true })
  revokedAt!: Date | null;
}

/** One filed card that a fact was learned from. */
@Entity('learned_source')
@Index('learned_source_card', ['cardId'])
@Index('learned_source_workspace', ['workspaceId'])
export class LearnedSource {
  @PrimaryColumn({ name: 'fact_id', type: 'uuid', primaryKeyConstraintName: 'learned_source_pkey' })
  factId!: string;
  @ManyToOne(() => LearnedFact, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'fact_id', foreignKeyConstraintName: 'learned_source_fact_fk' })
  fact?: Relation<LearnedFact>;
  @PrimaryColumn({ name: 'card_id', type: 'uuid', primaryKeyConstraintName: 'learned_source_pkey' })
  cardId!: string;
  @Column({ name: 'person_id', type: 'uuid' })
  personId!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'learned_source_workspace_fk' })
  workspace?: Relation<Workspace>;
}
