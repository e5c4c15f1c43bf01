<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;
use Stemmata\Core\Document\Reminder;

/**
 * What a section's text names and where it points, so that this can be asked without reading every text. Written anew
 * from the text whenever that changes.
 */
#[ORM\Entity]
#[ORM\Table(name: 'reference')]
#[ORM\Index(name: 'reference_target', columns: ['document_id', 'kind', 'target'])]
#[ORM\Index(name: 'reference_name', columns: ['document_id', 'kind', 'name'])]
class ReferenceRecord
{
    public const BOOKMARK = 'bookmark';
    public const LINK = 'link';
    public const CONTENTS = 'contents';
    /** The footnotes and captions of the section: see CountedForm. */
    public const COUNTED = 'counted';

    /** What is linked to outside the text, all of a section as one: words by address, in JSON. */
    public const ADDRESSES = 'addresses';
    /** Its words, behind one sign that tells whether it is open or settled. */
    public const REMINDER = 'reminder';
    private const SETTLED = '1';
    private const OPEN = '0';

    public function __construct(
        #[ORM\Column(length: 12)] public string $documentId,
        #[ORM\Id] #[ORM\Column(length: 12)] public string $sectionId,
        #[ORM\Id] #[ORM\Column(length: 16)] public string $kind,
        /** The bookmark's own id, or the id of the section or bookmark linked to. */
        #[ORM\Id] #[ORM\Column(length: 12)] public string $target,
        /** The bookmark's name, or the words of the link. */
        #[ORM\Column(type: 'text')] public string $name,
    ) {}

    public static function nameOf(Reminder $reminder): string
    {
        return ($reminder->isSettled ? self::SETTLED : self::OPEN) . $reminder->words;
    }

    public static function reminder(string $target, string $name): Reminder
    {
        return new Reminder($target, substr($name, 1), str_starts_with($name, self::SETTLED));
    }

    /** @param array<string, string> $addresses words by address; such as are too long to be shown are cut */
    public static function addresses(array $addresses, int $longest): string
    {
        $words = array_map(static fn(string $words): string => mb_substr($words, 0, $longest), $addresses);

        return json_encode((object) $words, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
    }

    /** @return array<string, string> */
    public static function readAddresses(string $json): array
    {
        $read = json_decode($json, true);
        $addresses = [];
        foreach (is_array($read) ? $read : [] as $address => $words) {
            if (is_string($words)) {
                $addresses[(string) $address] = $words;
            }
        }

        return $addresses;
    }
}
