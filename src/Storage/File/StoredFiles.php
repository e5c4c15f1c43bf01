<?php

declare(strict_types=1);

namespace Stemmata\Storage\File;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Stemmata\Core\Link\KeptFile;
use Stemmata\Core\Text\Picture;

/**
 * The bytes that texts name by their hash, each kept once. Which documents use which is kept as well: a use lasts as
 * long
 * as its document, because any earlier state of that may show the picture again.
 */
final readonly class StoredFiles
{
    /** What no browser opens by itself. */
    private const FILE = 'application/octet-stream';

    public function __construct(private Connection $connection) {}

    /**
     * Only with the write lock.
     *
     * @param iterable<Picture> $pictures
     */
    public function keep(string $documentId, iterable $pictures): void
    {
        foreach ($pictures as $picture) {
            // A look first, for bytes that are there already need not be sent.
            if (null === $this->findKind($picture->hash)) {
                $this->insert($picture->hash, $picture->mediaType(), $picture->bytes);
            }
            $this->use($documentId, [$picture->hash]);
        }
    }

    /** Only with the write lock. */
    public function keepFile(string $documentId, KeptFile $file, string $bytes): void
    {
        if (null === $this->findType($file->hash)) {
            $this->insert($file->hash, self::FILE, $bytes);
        }
        $this->use($documentId, [$file->hash]);
    }

    /** The bytes of a file that links lead to, if a document of this writer uses it. */
    public function findFileOf(string $ownerId, string $hash): ?string
    {
        return $this->isUsedBy($ownerId, $hash) && self::FILE === $this->findType($hash) ? $this->bytes($hash) : null;
    }

    /**
     * Only with the write lock. What a text names and nobody ever brought is not used.
     *
     * @param list<string> $hashes
     */
    public function use(string $documentId, array $hashes): void
    {
        foreach ($hashes as $hash) {
            $this->connection->executeStatement(
                <<<'SQL'
                INSERT INTO file_use (document_id, hash) SELECT ?, hash FROM stored_file WHERE hash = ?
                ON CONFLICT (document_id, hash) DO NOTHING
                SQL
                ,
                [$documentId, $hash],
            );
        }
    }

    /** Only with the write lock: all that another document uses, so that it stays when that one is purged. */
    public function useAlike(string $documentId, string $other): void
    {
        $this->connection->executeStatement(
            <<<'SQL'
            INSERT INTO file_use (document_id, hash) SELECT ?, hash FROM file_use WHERE document_id = ?
            ON CONFLICT (document_id, hash) DO NOTHING
            SQL
            ,
            [$documentId, $other],
        );
    }

    /**
     * Only with the write lock.
     *
     * @param list<string> $hashes all that a new document uses
     */
    public function useNoOther(string $documentId, array $hashes): void
    {
        $this->connection->executeStatement(
            'DELETE FROM file_use WHERE document_id = ? AND hash NOT IN (?)',
            [$documentId, $hashes],
            [ParameterType::STRING, ArrayParameterType::STRING],
        );
        $this->forgetUnused();
    }

    public function findPicture(string $hash): ?Picture
    {
        $kind = $this->findKind($hash);
        if (null === $kind) {
            return null;
        }

        return new Picture($kind, $this->bytes($hash));
    }

    /** The same, if a document of this writer uses it. */
    public function findPictureOf(string $ownerId, string $hash): ?Picture
    {
        return $this->isUsedBy($ownerId, $hash) ? $this->findPicture($hash) : null;
    }

    /** Only with the write lock: what no document uses any more. */
    public function forgetUnused(): void
    {
        $this->connection->executeStatement(
            'DELETE FROM stored_file WHERE NOT EXISTS (SELECT 1 FROM file_use WHERE file_use.hash = stored_file.hash)',
        );
    }

    private function findKind(string $hash): ?string
    {
        $type = $this->findType($hash);

        return null !== $type && str_starts_with($type, 'image/') ? substr($type, strlen('image/')) : null;
    }

    private function findType(string $hash): ?string
    {
        $type = $this->connection->fetchOne('SELECT media_type FROM stored_file WHERE hash = ?', [$hash]);

        return is_string($type) ? $type : null;
    }

    private function isUsedBy(string $ownerId, string $hash): bool
    {
        return false !==
            $this->connection->fetchOne(
                'SELECT 1 FROM file_use u JOIN document d ON d.id = u.document_id WHERE u.hash = ? AND d.owner_id = ?',
                [$hash, $ownerId],
            );
    }

    private function bytes(string $hash): string
    {
        $bytes = $this->connection->fetchOne('SELECT bytes FROM stored_file WHERE hash = ?', [$hash]);

        return is_resource($bytes) ? (string) stream_get_contents($bytes) : (is_string($bytes) ? $bytes : '');
    }

    private function insert(string $hash, string $type, string $bytes): void
    {
        $this->connection->executeStatement(
            'INSERT INTO stored_file (hash, media_type, bytes) VALUES (?, ?, ?)',
            [$hash, $type, $bytes],
            [ParameterType::STRING, ParameterType::STRING, ParameterType::LARGE_OBJECT],
        );
    }
}
