import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import type { TemplateText } from '@dossier/contract';
import { Account, Workspace } from '../../account';

/** A text that is filled in for each person. */
@Entity('template')
@Index('template_workspace', ['workspaceId'])
export class TemplateRecord {
  @PrimaryColumn({ type: 'uuid', primaryKeyConstraintName: 'template_pkey' })
  id!: string;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'template_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text' })
  name!: string;
  @Column({ type: 'text' })
  kind!: 'email' | 'letter';
  @Column({ type: 'integer' })
  version!: number;
  @Column({ name: 'removed_at', type: 'timestamptz', nullable: true })
  removedAt!: Date | null;
}

/** A template as it was; never changed. */
@Entity('template_version')
@Index('template_version_workspace', ['workspaceId'])
@Index('template_version_by', ['by'])
export class TemplateVersion {
  @PrimaryColumn({ name: 'template_id', type: 'uuid', primaryKeyConstraintName: 'template_version_pkey' })
  templateId!: string;
  @ManyToOne(() => TemplateRecord, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'template_id', foreignKeyConstraintName: 'template_version_template_fk' })
  template?: Relation<TemplateRecord>;
  @PrimaryColumn({ type: 'integer', primaryKeyConstraintName: 'template_version_pkey' })
  version!: number;
  @Column({ name: 'workspace_id', type: 'uuid' })
  workspaceId!: string;
  @ManyToOne(() => Workspace, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'workspace_id', foreignKeyConstraintName: 'template_version_workspace_fk' })
  workspace?: Relation<Workspace>;
  @Column({ type: 'text', nullable: true })
  scope!: string | null;
  @Column({ type: 'jsonb' })
  texts!: Partial<Record<string, TemplateText>>;
  @Column({ name: 'own_vcard', type: 'boolean' })
  ownVcard!: boolean;
  @Column({ name: 'attachment_ids', type: 'uuid', array: true, default: () => "'{}'" })
  attachmentIds!: string[];
  @Column({ type: 'uuid' })
  by!: string;
  @ManyToOne(() => Account, { onDelete: 'NO ACTION' })
  @JoinColumn({ name: 'by', foreignKeyConstraintName: 'template_version_by_fk' })
  account?: Relation<Account>;
  @Column({ type: 'timestamptz' })
  at!: Date;
}
