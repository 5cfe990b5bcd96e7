import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Workspace } from '../account';

/** A backup made by schedule; its file lies in the folder for backups. */
@Entity('backup')
@Index('backup_workspace', ['workspaceId', 'beganAt'])
export class BackupRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'backup_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'backup_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ name: 'began_at', type: 'timestamptz' })
  beganAt!: Date;
  @Column({ name: 'ended_at', type: 'timestamptz', nullable: true })
  endedAt!: Date | null;
  @Column({ type: 'text' })
  state!: 'running' | 'done' | 'failed';
  /** From 0 to 1. */
  @Column({ type: 'real', default: 0 })
  progress!: number;
  /** Its name within the folder. */
  @Column({ type: 'text' })
  file!: string;
  @Column({ type: 'bigint', nullable: true, transformer: { from: (told: string | null) => (told === null ? null : Number(told)), to: (bytes: number | null) => bytes } }) // prettier-ignore
  bytes!: number | null;
  @Column({ type: 'integer', nullable: true })
  people!: number | null;
  @Column({ name: 'is_encrypted', type: 'boolean', default: false })
  isEncrypted!: boolean;
  /** Why there is none, in words. */
  @Column({ type: 'text', nullable: true })
  problem!: string | null;
}
