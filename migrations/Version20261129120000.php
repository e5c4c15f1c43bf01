<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Storage\Section\CountedForm;
use Stemmata\Storage\Section\SectionForm;

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

    /** Row by row, so that no more than one text is held, however many there are. */
    public function postUp(Schema $schema): void
    {
        $rows = $this->connection->fetchAllNumeric(
            <<<'SQL'
            SELECT id, document_id FROM section
            WHERE instr(body, '"type":"footnote"') OR instr(body, '"type":"figure"') OR instr(body, '"type":"table"')
                OR instr(heading_inline, '"type":"footnote"')
            SQL
            ,
        );
        foreach ($rows as [$id, $document]) {
            assert(is_string($id) && is_string($document));
            $fields = $this->connection->fetchAssociative(
                'SELECT heading, heading_inline, body FROM section WHERE id = ? AND document_id = ?',
                [$id, $document],
            );
            if (false === $fields) {
                continue;
            }
            ['heading' => $heading, 'heading_inline' => $inline, 'body' => $body] = $fields;
            assert(is_string($heading) && is_string($inline) && is_string($body));
            $section = Section::blank(SectionId::fromString($id))
                ->withHeading(SectionForm::readHeading($heading, $inline))
                ->withBody(SectionForm::readBody($body));
            $counted = CountedForm::written(References::in($section));
            if ('' !== $counted) {
                $this->connection->insert('reference', [
                    'document_id' => $document,
                    'section_id' => $id,
                    'kind' => 'counted',
                    'target' => $id,
                    'name' => $counted,
                ]);
            }
        }
    }

    public function down(Schema $schema): void
    {
        $this->addSql("DELETE FROM reference WHERE kind = 'counted'");
        $this->addSql('ALTER TABLE offcut DROP COLUMN place');
    }
}
