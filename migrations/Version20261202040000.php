<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261202040000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'House styles of the writer’s own';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE house_style (id VARCHAR(12) NOT NULL PRIMARY KEY, owner_id VARCHAR(32) NOT NULL, made_at INTEGER NOT NULL, sheet CLOB NOT NULL)',
        );
        $this->addSql('CREATE INDEX house_style_owner ON house_style (owner_id, made_at)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE house_style');
    }
}
