<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261129190000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'How many words a document had when each sitting began; the stage of each section; what a document asks; text kept standing';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE section ADD COLUMN stage VARCHAR(16) NOT NULL DEFAULT ''");
        $this->addSql("ALTER TABLE document ADD COLUMN question VARCHAR(8192) NOT NULL DEFAULT ''");
        $this->addSql("ALTER TABLE document ADD COLUMN kind VARCHAR(16) NOT NULL DEFAULT ''");
        $this->addSql('ALTER TABLE document ADD COLUMN sitting_since INTEGER DEFAULT NULL');
        $this->addSql(
            'CREATE TABLE sitting (document_id VARCHAR(12) NOT NULL REFERENCES document (id) ON DELETE CASCADE, started_at INTEGER NOT NULL, words INTEGER NOT NULL, PRIMARY KEY (document_id, started_at))',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE sitting');
        $this->addSql('ALTER TABLE document DROP COLUMN sitting_since');
        $this->addSql('ALTER TABLE document DROP COLUMN question');
        $this->addSql('ALTER TABLE document DROP COLUMN kind');
        $this->addSql('ALTER TABLE section DROP COLUMN stage');
    }
}
