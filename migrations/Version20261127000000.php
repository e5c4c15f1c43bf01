<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261127000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'A count of commits; documents that are still being stored; how long each step of a history is kept';
    }

    public function up(Schema $schema): void
    {
        // One row. A left-over log belongs to the database only when the two counts meet: see Storage/DataFolder.
        $this->addSql('CREATE TABLE commit_count (lineage VARCHAR(32) NOT NULL, commits INTEGER NOT NULL)');
        $this->addSql('INSERT INTO commit_count (lineage, commits) VALUES (lower(hex(randomblob(16))), 0)');
        $this->addSql('ALTER TABLE document ADD COLUMN arriving_since INTEGER DEFAULT NULL');
        $this->addSql('ALTER TABLE document ADD COLUMN steps_kept_weeks INTEGER DEFAULT NULL');
        $this->addSql('ALTER TABLE document ADD COLUMN thinned_on INTEGER NOT NULL DEFAULT 0');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE document DROP COLUMN thinned_on');
        $this->addSql('ALTER TABLE document DROP COLUMN steps_kept_weeks');
        $this->addSql('ALTER TABLE document DROP COLUMN arriving_since');
        $this->addSql('DROP TABLE commit_count');
    }
}
