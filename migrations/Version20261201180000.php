<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Stemmata\Storage\Section\Recount;

final class Version20261201180000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Pictures without a description, tables without header cells and links to the outside beside each text; the words of headings when a sitting began';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE sitting ADD COLUMN heading_words INTEGER DEFAULT NULL');
        // The table of references is there; postUp fills it.
    }

    public function postUp(Schema $schema): void
    {
        Recount::where(
            $this->connection,
            <<<'SQL'
            instr(body, '"type":"figure"') OR instr(body, '"type":"table"') OR instr(body, '"type":"image"')
                OR instr(body, '"type":"link"') OR instr(heading_inline, '"type":"link"')
            SQL
            ,
        );
    }

    public function down(Schema $schema): void
    {
        // What is counted beyond that is passed over by what reads it.
        $this->addSql("DELETE FROM reference WHERE kind = 'addresses'");
        $this->addSql('ALTER TABLE sitting DROP COLUMN heading_words');
    }
}
