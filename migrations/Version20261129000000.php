<?php

declare(strict_types=1);

namespace Stemmata\Migrations;

use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use Stemmata\Storage\Section\SectionForm;

final class Version20261129000000 extends AbstractMigration
{
    /** A picture within a text, as JSON holds it; in the words of a text the quotation marks would be escaped. */
    private const WITHIN = '~"src":"data:image/(png|jpeg|gif|webp|svg\+xml);base64,([A-Za-z0-9+/=]++)"~';

    public function getDescription(): string
    {
        return 'Pictures are kept once, by their hash, and not within the texts; the plain words of each section beside its text';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE stored_file (hash VARCHAR(64) NOT NULL, media_type VARCHAR(64) NOT NULL, bytes BLOB NOT NULL, PRIMARY KEY (hash))',
        );
        $this->addSql(
            'CREATE TABLE file_use (document_id VARCHAR(12) NOT NULL REFERENCES document (id) ON DELETE CASCADE, hash VARCHAR(64) NOT NULL, PRIMARY KEY (document_id, hash))',
        );
        $this->addSql('CREATE INDEX file_use_hash ON file_use (hash)');
        $this->addSql("ALTER TABLE section ADD COLUMN plain_text CLOB NOT NULL DEFAULT ''");
    }

    /** Row by row, so that no more than one text is held, however many there are. */
    public function postUp(Schema $schema): void
    {
        foreach (['section' => ['heading_inline', 'body'], 'journal' => ['change']] as $table => $columns) {
            foreach ($this->connection->fetchAllNumeric('SELECT id, document_id FROM ' . $table) as [$id, $document]) {
                assert((is_string($id) || is_int($id)) && is_string($document));
                foreach ($columns as $column) {
                    $this->takePicturesOut($table, $column, $id, $document);
                }
                if ('section' === $table) {
                    $body = $this->text('section', 'body', $id);
                    $this->connection->update(
                        'section',
                        ['plain_text' => SectionForm::readBody($body)->plainText()],
                        ['id' => $id],
                    );
                }
            }
        }
    }

    private function takePicturesOut(string $table, string $column, string|int $id, string $document): void
    {
        $json = $this->text($table, $column, $id);
        if (!str_contains($json, '"src":"data:image/') || null === json_decode($json, true)) {
            return;
        }
        $without = preg_replace_callback(
            self::WITHIN,
            function (array $match) use ($document): string {
                $bytes = base64_decode($match[2], true);

                // What would not be written again to the letter stays as it is.
                return false === $bytes || base64_encode($bytes) !== $match[2]
                    ? $match[0]
                    : '"src":"picture:' . $this->kept($document, $match[1], $bytes) . '"';
            },
            $json,
        );
        if (is_string($without) && $without !== $json) {
            $this->connection->update($table, [$column => $without], ['id' => $id]);
        }
    }

    private function text(string $table, string $column, string|int $id): string
    {
        $text = $this->connection->fetchOne(sprintf('SELECT %s FROM %s WHERE id = ?', $column, $table), [$id]);

        return is_string($text) ? $text : '';
    }

    private function kept(string $document, string $kind, string $bytes): string
    {
        $hash = hash('sha256', $kind . "\n" . $bytes);
        $this->connection->executeStatement(
            'INSERT INTO stored_file (hash, media_type, bytes) VALUES (?, ?, ?) ON CONFLICT (hash) DO NOTHING',
            [$hash, 'image/' . $kind, $bytes],
            [ParameterType::STRING, ParameterType::STRING, ParameterType::LARGE_OBJECT],
        );
        $this->connection->executeStatement(
            'INSERT INTO file_use (document_id, hash) VALUES (?, ?) ON CONFLICT (document_id, hash) DO NOTHING',
            [$document, $hash],
        );

        return $hash;
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Texts name their pictures by hash from here on.');
    }
}
