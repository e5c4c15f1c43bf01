<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261124000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Documents, sections, offcuts, references and the journal';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE writer (id VARCHAR(32) NOT NULL, name VARCHAR(200) NOT NULL, PRIMARY KEY (id))');
        $this->addSql("INSERT INTO writer (id, name) VALUES ('local', 'Writer')");
        $this->addSql(
            'CREATE TABLE document (id VARCHAR(12) NOT NULL, owner_id VARCHAR(32) NOT NULL REFERENCES writer (id), created_at INTEGER NOT NULL, changed_at INTEGER NOT NULL, removed_at INTEGER DEFAULT NULL, revision INTEGER NOT NULL, outline_revision INTEGER NOT NULL, resume_section VARCHAR(12) DEFAULT NULL, resume_position INTEGER NOT NULL, target INTEGER DEFAULT NULL, language VARCHAR(35) NOT NULL, title VARCHAR(8192) NOT NULL, subtitle VARCHAR(8192) NOT NULL, author VARCHAR(8192) NOT NULL, guiding_statement VARCHAR(8192) NOT NULL, outline_levels CLOB NOT NULL, outline_flags CLOB NOT NULL, outline_ids CLOB NOT NULL, PRIMARY KEY (id))',
        );
        $this->addSql('CREATE INDEX document_owner ON document (owner_id, changed_at)');
        // The body stands last, so that lists of sections never have to read past it.
        $this->addSql(
            'CREATE TABLE section (id VARCHAR(12) NOT NULL, document_id VARCHAR(12) NOT NULL REFERENCES document (id) ON DELETE CASCADE, revision INTEGER NOT NULL, words INTEGER NOT NULL, target INTEGER DEFAULT NULL, marker VARCHAR(16) NOT NULL, heading CLOB NOT NULL, aim VARCHAR(8192) NOT NULL, heading_inline CLOB NOT NULL, body CLOB NOT NULL, PRIMARY KEY (id))',
        );
        $this->addSql('CREATE INDEX section_document ON section (document_id, revision)');
        $this->addSql(
            'CREATE TABLE offcut (id VARCHAR(12) NOT NULL, document_id VARCHAR(12) NOT NULL REFERENCES document (id) ON DELETE CASCADE, cut_at INTEGER NOT NULL, reason VARCHAR(16) NOT NULL, name CLOB NOT NULL, after_id VARCHAR(12) DEFAULT NULL, outline_levels CLOB NOT NULL, outline_flags CLOB NOT NULL, outline_ids CLOB NOT NULL, PRIMARY KEY (id))',
        );
        $this->addSql('CREATE INDEX offcut_document ON offcut (document_id, cut_at)');
        $this->addSql(
            'CREATE TABLE reference (document_id VARCHAR(12) NOT NULL REFERENCES document (id) ON DELETE CASCADE, section_id VARCHAR(12) NOT NULL, kind VARCHAR(16) NOT NULL, target VARCHAR(12) NOT NULL, name CLOB NOT NULL, PRIMARY KEY (section_id, kind, target))',
        );
        $this->addSql('CREATE INDEX reference_target ON reference (document_id, kind, target)');
        $this->addSql('CREATE INDEX reference_name ON reference (document_id, kind, name)');
        $this->addSql(
            'CREATE TABLE journal (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, document_id VARCHAR(12) NOT NULL REFERENCES document (id) ON DELETE CASCADE, state VARCHAR(16) NOT NULL, revision INTEGER NOT NULL, started_at INTEGER NOT NULL, made_at INTEGER NOT NULL, typed_in VARCHAR(12) DEFAULT NULL, label CLOB NOT NULL, change CLOB NOT NULL)',
        );
        $this->addSql('CREATE INDEX journal_state ON journal (document_id, state, id)');
    }

    public function down(Schema $schema): void
    {
        foreach (['journal', 'reference', 'offcut', 'section', 'document', 'writer'] as $table) {
            $this->addSql('DROP TABLE ' . $table);
        }
    }
}
