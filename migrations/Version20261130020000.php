<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130020000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'How many pages a document had when they were last set';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE document ADD COLUMN page_count INTEGER DEFAULT NULL');
        $this->addSql('ALTER TABLE document ADD COLUMN paged_revision INTEGER DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE document DROP COLUMN paged_revision');
        $this->addSql('ALTER TABLE document DROP COLUMN page_count');
    }
}
