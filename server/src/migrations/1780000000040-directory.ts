import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ofWorkspace } from './ofWorkspace';

/** What a directory says of people and firms, until somebody takes or leaves it, and what was taken. */
export class Directory1780000000040 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      alter table workspace add column directory_address text, add column directory_key text, add column directory_portraits boolean not null default false;
      grant update (directory_address, directory_key, directory_portraits) on workspace to dossier_serving;

      create table look_up (
        id uuid not null,
        workspace_id uuid not null,
        made_by uuid not null,
        made_at timestamptz not null,
        state text not null,
        problem text,
        constraint look_up_pkey primary key (id)
      );
      create index look_up_maker on look_up (made_by);
      alter table look_up add constraint look_up_maker_fk foreign key (made_by) references account(id) on delete cascade;
      create index look_up_workspace on look_up (workspace_id);
      ${ofWorkspace('look_up')}

      create table looked_up (
        look_up_id uuid not null,
        person_id uuid not null,
        workspace_id uuid not null,
        nth integer not null,
        state text not null,
        constraint looked_up_pkey primary key (look_up_id, person_id)
      );
      create index looked_up_person on looked_up (person_id);
      alter table looked_up add constraint looked_up_look_up_fk foreign key (look_up_id) references look_up(id) on delete cascade;
      alter table looked_up add constraint looked_up_person_fk foreign key (person_id) references person(id) on delete cascade;
      create index looked_up_workspace on looked_up (workspace_id);
      ${ofWorkspace('looked_up')}

      create table directory_asked (
        workspace_id uuid not null,
        subject_id uuid not null,
        person_id uuid,
        company_id uuid,
        at timestamptz not null,
        problem text,
        constraint directory_asked_pkey primary key (subject_id)
      );
      create index directory_asked_person on directory_asked (person_id);
      create index directory_asked_company on directory_asked (company_id);
      alter table directory_asked add constraint directory_asked_person_fk foreign key (person_id) references person(id) on delete cascade;
      alter table directory_asked add constraint directory_asked_company_fk foreign key (company_id) references company(id) on delete cascade;
      create index directory_asked_workspace on directory_asked (workspace_id);
      ${ofWorkspace('directory_asked')}

      create table finding (
        id uuid not null,
        workspace_id uuid not null,
        person_id uuid,
        company_id uuid,
        field text not null,
        value text not null,
        source text not null,
        found_at timestamptz not null,
        state text not null,
        settled_by uuid,
        settled_at timestamptz,
        constraint finding_pkey primary key (id)
      );
      create unique index finding_of_person on finding (person_id, field, md5(value));
      create unique index finding_of_company on finding (company_id, field, md5(value));
      create index finding_settler on finding (settled_by);
      alter table finding add constraint finding_person_fk foreign key (person_id) references person(id) on delete cascade;
      alter table finding add constraint finding_company_fk foreign key (company_id) references company(id) on delete cascade;
      alter table finding add constraint finding_settler_fk foreign key (settled_by) references account(id) on delete set null;
      create index finding_workspace on finding (workspace_id);
      ${ofWorkspace('finding')}

      create table person_portrait (
        person_id uuid not null,
        workspace_id uuid not null,
        picture_id uuid not null,
        bytes bytea not null,
        source text not null,
        taken_at timestamptz not null,
        constraint person_portrait_pkey primary key (person_id)
      );
      alter table person_portrait add constraint person_portrait_person_fk foreign key (person_id) references person(id) on delete cascade;
      create index person_portrait_workspace on person_portrait (workspace_id);
      ${ofWorkspace('person_portrait')}`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      drop table person_portrait, finding, directory_asked, looked_up, look_up;
      alter table workspace drop column directory_address, drop column directory_key, drop column directory_portraits;`);
  }
}
