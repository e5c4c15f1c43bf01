<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Doctrine\DBAL\Connection;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\Shape;
use Stemmata\Storage\Entity\ReferenceRecord;

/** Counts anew what is kept beside texts that are there already, for migrations. */
final class Recount
{
    /**
     * Row by row, so that no more than one text is held, however many there are.
     *
     * @param string $condition SQL on the table of sections
     */
    public static function where(Connection $connection, string $condition): void
    {
        foreach (
            $connection->fetchAllNumeric('SELECT id, document_id FROM section WHERE ' . $condition)
            as [$id, $document]
        ) {
            assert(is_string($id) && is_string($document));
            $fields = $connection->fetchAssociative(
                // A column of later databases is passed over while there is none.
                'SELECT * FROM section WHERE id = ? AND document_id = ?',
                [$id, $document],
            );
            if (false === $fields) {
                continue;
            }
            ['heading' => $heading, 'heading_inline' => $inline, 'body' => $body] = $fields;
            $shape = $fields['shape'] ?? '';
            assert(is_string($heading) && is_string($inline) && is_string($body) && is_string($shape));
            $section = Section::blank(SectionId::fromString($id))
                ->withHeading(SectionForm::readHeading($heading, $inline))
                ->withBody(SectionForm::readBody($body))
                ->withShape(Shape::kept($shape));
            $references = References::in($section);
            $kept = [
                'counted' => CountedForm::written($references),
                'addresses' =>
                    [] === $references->addresses
                        ? ''
                        : ReferenceRecord::addresses($references->addresses, SectionRows::LONGEST_LINK_WORDS),
            ];
            foreach ($kept as $kind => $words) {
                $place = ['document_id' => $document, 'section_id' => $id, 'kind' => $kind];
                $connection->delete('reference', $place);
                if ('' !== $words) {
                    $connection->insert('reference', [...$place, 'target' => $id, 'name' => $words]);
                }
            }
        }
    }
}
