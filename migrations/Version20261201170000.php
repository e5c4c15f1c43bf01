<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Stemmata\Storage\Section\Recount;

final class Version20261201170000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Links to the web, to mail and to files, known without reading the texts';
    }

    public function up(Schema $schema): void
    {
        // The table of references is there; postUp fills it.
        $this->addSql('SELECT 1');
    }

    public function postUp(Schema $schema): void
    {
        Recount::where(
            $this->connection,
            <<<'SQL'
            instr(body, '"type":"link"') OR instr(heading_inline, '"type":"link"')
            SQL
            ,
        );
    }

    public function down(Schema $schema): void
    {
        // What is known beyond that is passed over by what reads it.
        $this->addSql('SELECT 1');
    }
}
