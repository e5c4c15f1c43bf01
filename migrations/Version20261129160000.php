<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Find\FoldedWords;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Storage\Database\SqliteSql;
use Stemmata\Storage\Section\SectionForm;

final class Version20261129160000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The words of each section, to be looked through; an index of them, kept in step by the database itself';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE section_words (number INTEGER PRIMARY KEY, section_id VARCHAR(12) NOT NULL, document_id VARCHAR(12) NOT NULL REFERENCES document (id) ON DELETE CASCADE, folded CLOB NOT NULL)',
        );
        $this->addSql('CREATE UNIQUE INDEX section_words_section ON section_words (document_id, section_id)');
        foreach (SqliteSql::wordIndex('section_words') as $statement) {
            $this->addSql($statement);
        }
    }

    /** Row by row, so that no more than one text is held, however many there are. */
    public function postUp(Schema $schema): void
    {
        foreach ($this->connection->fetchAllNumeric('SELECT id, document_id FROM section') as [$id, $document]) {
            assert(is_string($id) && is_string($document));
            $fields = $this->connection->fetchAssociative(
                'SELECT heading, heading_inline, body, aim FROM section WHERE id = ? AND document_id = ?',
                [$id, $document],
            );
            if (false === $fields) {
                continue;
            }
            ['heading' => $heading, 'heading_inline' => $inline, 'body' => $body, 'aim' => $aim] = $fields;
            assert(is_string($heading) && is_string($inline) && is_string($body) && is_string($aim));
            $section = Section::blank(SectionId::fromString($id))
                ->withHeading(SectionForm::readHeading($heading, $inline))
                ->withBody(SectionForm::readBody($body))
                ->withAim($aim);
            $this->connection->insert('section_words', [
                'section_id' => $id,
                'document_id' => $document,
                'folded' => FoldedWords::of($section),
            ]);
        }
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE section_words_index');
        $this->addSql('DROP TABLE section_words');
    }
}
