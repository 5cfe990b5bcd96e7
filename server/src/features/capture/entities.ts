import type { Quad } from '@dossier/core/capture';
import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { StoredFile } from '../../platform/entities';
import { Workspace } from '../account';

/** Where and when cards are received, with what they inherit. Its id was made on the device that set it. */
@Entity('occasion')
@Index('occasion_workspace', ['workspaceId', 'closed'])
@Index('occasion_plan', ['planId'])
export class Occasion {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'occasion_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'occasion_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  name!: string;
  @Column({ type: 'text' })
  place!: string;
  @Column({ name: 'starts_on', type: 'date', nullable: true })
  startsOn!: string | null;
  @Column({ name: 'ends_on', type: 'date', nullable: true })
  endsOn!: string | null;
  @Column({ type: 'text', array: true })
  tags!: string[];
  @Column({ type: 'text' })
  kind!: 'contact' | 'lead';
  /** Null for whoever files the card. */
  @Column({ name: 'owner_id', type: 'uuid', nullable: true })
  ownerId!: string | null;
  /** Null for what the workspace does. */
  @Column({ name: 'keep_pictures', type: 'text', nullable: true })
  keepPictures!: 'photo' | 'card' | 'none' | null;
  @Column({ type: 'char', length: 2, nullable: true })
  country!: string | null;
  @Column({ type: 'text', array: true })
  languages!: string[];
  @Column({ type: 'boolean' })
  closed!: boolean;
  /** Null for what the workspace says. */
  @Column({ name: 'files_itself', type: 'boolean', nullable: true })
  filesItself!: boolean | null;
  /** The follow-up plan that whoever is filed is put into; null for none. Named by its table alone: that room stands above this one. */
  @Column({ name: 'plan_id', type: 'uuid', nullable: true })
  planId!: string | null;
  @ManyToOne('PlanRecord', { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'plan_id', foreignKeyConstraintName: 'occasion_plan_fk' })
  plan?: { id: string } | null;
  /** What the team paid for it, in its own currency. */
  @Column({
    type: 'numeric',
    precision: 14,
    scale: 2,
    nullable: true,
    transformer: {
      to: (value: number | null) => value,
      from: (kept: string | null) => (kept === null ? null : Number(kept)),
    },
  })
  cost!: number | null;
  @Column({ name: 'created_at', type: 'timestamptz' })
  createdAt!: Date;
}

/** What becomes of a photograph, see `photoStates`. */
export type PhotoState = 'waiting' | 'reading' | 'read' | 'unreadable' | 'discarded';

/** A photograph as taken. Its id was made on the device that took it. */
@Entity('photo')
@Index('photo_tray', ['workspaceId', 'state'])
@Index('photo_perhaps', { synchronize: false })
@Index('photo_file', ['fileId'])
@Index('photo_occasion', ['occasionId'])
@Index('photo_back_of', ['backOf'])
@Index('photo_content', ['workspaceId', 'contentHash'])
@Index('photo_batch', ['batchId'])
@Index('photo_taken_by', ['takenBy', 'receivedAt'])
export class Photo {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'photo_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'photo_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'taken_by', type: 'uuid' })
  takenBy!: string;
  @Column({ name: 'occasion_id', type: 'uuid', nullable: true })
  occasionId!: string | null;
  @ManyToOne(() => Occasion, { onDelete: 'SET NULL' })
  @JoinColumn({ name: 'occasion_id', foreignKeyConstraintName: 'photo_occasion_fk' })
  occasion?: Relation<Occasion> | null;
  /** Photographs of one person that came together, waiting to be read at the same time. */
  @Column({ name: 'batch_id', type: 'uuid' })
  batchId!: string;
  /** The photograph of the fronts whose backs this one shows; it may still be on its way. */
  @Column({ name: 'back_of', type: 'uuid', nullable: true })
  backOf!: string | null;
  /** Not where a program wants its cards read and nothing else. */
  @Column({ name: 'in_tray', type: 'boolean', default: true })
  inTray!: boolean;
  /** What is expected of its cards in place of what its occasion and workspace say. */
  @Column({ type: 'jsonb', nullable: true })
  expected!: { country: string | null; languages: string[] } | null;
  /** SHA-256 of the bytes as received. */
  @Column({ name: 'content_hash', type: 'bytea' })
  contentHash!: Buffer;
  /** Null once the picture has been removed. */
  @Column({ name: 'file_id', type: 'uuid', nullable: true })
  fileId!: string | null;
  @ManyToOne(() => StoredFile, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'file_id', foreignKeyConstraintName: 'photo_file_fk' })
  file?: Relation<StoredFile> | null;
  /** Small pictures of it, made when they were first asked for. */
  @Column({ name: 'thumbnail_id', type: 'uuid', nullable: true })
  thumbnailId!: string | null;
  @Column({ name: 'display_id', type: 'uuid', nullable: true })
  displayId!: string | null;
  /** Size of the displayed photograph in pixels; null until it has been read. */
  @Column({ type: 'integer', nullable: true })
  width!: number | null;
  @Column({ type: 'integer', nullable: true })
  height!: number | null;
  @Column({ type: 'text' })
  state!: PhotoState;
  /** Where a card was perhaps missed, until a person has said. */
  @Column({ type: 'jsonb', nullable: true })
  perhaps!: Quad[] | null;
  /** Share of the reading that is done, 0–1. */
  @Column({ type: 'real', default: 0 })
  progress!: number;
  /** What is wrong with it, for a person. */
  @Column({ type: 'text', nullable: true })
  message!: string | null;
  @Column({ name: 'taken_at', type: 'timestamptz' })
  takenAt!: Date;
  @Column({ name: 'received_at', type: 'timestamptz' })
  receivedAt!: Date;
  @Column({ name: 'discarded_at', type: 'timestamptz', nullable: true })
  discardedAt!: Date | null;
}

/** Part of a photograph that is still on its way, kept so that a line that breaks does not send it to its beginning. */
@Entity('photo_part')
@Index('photo_part_workspace', ['workspaceId', 'receivedAt'])
export class PhotoPart {
  @PrimaryColumn({ name: 'photo_id', type: 'uuid', primaryKeyConstraintName: 'photo_part_pkey' })
  photoId!: string;
  @PrimaryColumn({ name: 'sent_by', type: 'uuid', primaryKeyConstraintName: 'photo_part_pkey' })
  sentBy!: string;
  /** Place of its first byte in the photograph. */
  @PrimaryColumn({ name: 'starts_at', type: 'integer', primaryKeyConstraintName: 'photo_part_pkey' })
  startsAt!: number;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'photo_part_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'bytea' })
  bytes!: Buffer;
  @Column({ name: 'received_at', type: 'timestamptz', default: () => 'now()' })
  receivedAt!: Date;
}
