<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261201180000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The words of headings when a sitting began, so that a line made a heading is no word less';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE sitting ADD COLUMN heading_words INTEGER DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE sitting DROP COLUMN heading_words');
    }
}
