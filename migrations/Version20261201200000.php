<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261201200000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'No file is used whose bytes are not there';
    }

    public function up(Schema $schema): void
    {
        $this->rebuilt('hash VARCHAR(64) NOT NULL REFERENCES stored_file (hash)');
    }

    public function down(Schema $schema): void
    {
        $this->rebuilt('hash VARCHAR(64) NOT NULL');
    }

    private function rebuilt(string $hash): void
    {
        $this->addSql(
            'CREATE TABLE used_file (document_id VARCHAR(12) NOT NULL REFERENCES document (id) ON DELETE CASCADE, ' .
                $hash .
                ', PRIMARY KEY (document_id, hash))',
        );
        $this->addSql(
            'INSERT INTO used_file SELECT document_id, hash FROM file_use WHERE hash IN (SELECT hash FROM stored_file)',
        );
        $this->addSql('DROP TABLE file_use');
        $this->addSql('ALTER TABLE used_file RENAME TO file_use');
        $this->addSql('CREATE INDEX file_use_hash ON file_use (hash)');
    }
}
