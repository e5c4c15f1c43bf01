<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Stemmata\Storage\Section\Recount;

final class Version20261202150000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What is quoted at length within running text, counted beside each text';
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
            words > 20 AND (instr(body, '“') OR instr(body, '„') OR instr(body, '«') OR instr(body, '»')
                OR instr(body, '”') OR instr(body, '\"'))
            SQL
            ,
        );
    }

    public function down(Schema $schema): void
    {
        // What is counted beyond that is passed over by what reads it.
        $this->addSql('SELECT 1');
    }
}
