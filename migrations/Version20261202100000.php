<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261202100000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The look that new documents have';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE writer ADD COLUMN new_look VARCHAR(80) NOT NULL DEFAULT ''");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE writer DROP COLUMN new_look');
    }
}
