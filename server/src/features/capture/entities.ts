import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { StoredFile, Workspace } from '../../platform/entities';

/** A photograph as taken. Its id was made on the device that took it. */
@Entity('photo')
@Index('photo_tray', ['workspaceId', 'state'])
@Index('photo_file', ['fileId'])
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
  @Column({ name: 'file_id', type: 'uuid' })
  fileId!: string;
  @ManyToOne(() => StoredFile, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'file_id', foreignKeyConstraintName: 'photo_file_fk' })
  file?: Relation<StoredFile>;
  @Column({ type: 'text' })
  state!: 'waiting' | 'reading' | 'read' | 'unreadable' | 'discarded';
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
}
