<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Stemmata\Storage\Section\Recount;

final class Version20261129120000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Footnotes and captions of each section beside its text, for their numbers; where passages stood';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE offcut ADD COLUMN place CLOB DEFAULT NULL');
        // The table of references is there; postUp fills it.
        $this->addSql("DELETE FROM reference WHERE kind = 'counted'");
    }

    public function postUp(Schema $schema): void
    {
        Recount::where(
            $this->connection,
            <<<'SQL'
            instr(body, '"type":"footnote"') OR instr(body, '"type":"figure"') OR instr(body, '"type":"table"')
                OR instr(heading_inline, '"type":"footnote"')
            SQL
            ,
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql("DELETE FROM reference WHERE kind = 'counted'");
        $this->addSql('ALTER TABLE offcut DROP COLUMN place');
    }
}
