import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn } from 'typeorm';

/** Bytes of one picture. */
@Entity('stored_file')
@Index('stored_file_workspace', ['workspaceId'])
export class StoredFile {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'stored_file_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  /** Named, not imported: what every room shares knows none of them. */
  @ManyToOne('Workspace', { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'stored_file_workspace_fk' })
  workspace?: { id: string };
  @Column({ type: 'text' })
  type!: string;
  @Column({ type: 'bytea' })
  bytes!: Buffer;
}
