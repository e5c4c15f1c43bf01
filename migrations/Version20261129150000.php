<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261129150000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The date that a title page says';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE document ADD COLUMN date CLOB NOT NULL DEFAULT ''");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE document DROP COLUMN date');
    }
}
