<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Each step of a history knows the one it followed; milestones; keys chosen by the writer';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE journal ADD COLUMN previous_id INTEGER NOT NULL DEFAULT 0');
        // Of steps that were undone and overtaken before this was kept, it is taken that they followed the last one
        // that stands.
        $this->addSql(
            "UPDATE journal SET previous_id = COALESCE((SELECT MAX(earlier.id) FROM journal earlier WHERE earlier.document_id = journal.document_id AND earlier.id < journal.id AND (earlier.state = 'done' OR (earlier.state = journal.state AND journal.state = 'undone'))), 0)",
        );
        $this->addSql(
            'CREATE TABLE milestone (id VARCHAR(12) NOT NULL, document_id VARCHAR(12) NOT NULL REFERENCES document (id), name VARCHAR(200) NOT NULL, step INTEGER NOT NULL, made_at INTEGER NOT NULL, PRIMARY KEY (id))',
        );
        $this->addSql('CREATE INDEX milestone_document ON milestone (document_id, made_at)');
        $this->addSql("ALTER TABLE writer ADD COLUMN keys CLOB NOT NULL DEFAULT '{}'");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE writer DROP COLUMN keys');
        $this->addSql('DROP TABLE milestone');
        $this->addSql('ALTER TABLE journal DROP COLUMN previous_id');
    }
}
