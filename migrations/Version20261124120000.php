<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261124120000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What holds for a document throughout, such as its numbering; outlines kept as starters';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE document ADD COLUMN setup CLOB NOT NULL DEFAULT '{}'");
        $this->addSql(
            'CREATE TABLE starter (id VARCHAR(12) NOT NULL, owner_id VARCHAR(32) NOT NULL REFERENCES writer (id), name VARCHAR(200) NOT NULL, made_at INTEGER NOT NULL, outline CLOB NOT NULL, PRIMARY KEY (id))',
        );
        $this->addSql('CREATE INDEX starter_owner ON starter (owner_id, made_at)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE starter');
        $this->addSql('ALTER TABLE document DROP COLUMN setup');
    }
}
