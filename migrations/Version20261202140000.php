<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261202140000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What is said by hand of the look of a heading';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE section ADD COLUMN shape CLOB NOT NULL DEFAULT ''");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE section DROP COLUMN shape');
    }
}
