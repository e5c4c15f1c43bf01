<?php

declare(strict_types=1);

namespace Stemmata\Http\Request;

use Stemmata\Core\Language\Characters;
use Stemmata\Disk\NoRoom;
use Symfony\Component\HttpFoundation\Request;

/** The body of a request, as an object of JSON. */
final readonly class JsonBody
{
    /** One section's text may be long; a request beyond this is no section. */
    private const MAX_BYTES = 32 * 1024 * 1024;
    private const MAX_DEPTH = 200;

    /** @param array<mixed> $fields */
    private function __construct(private array $fields) {}

    /** @throws NoRoom when less of it came than was sent */
    public static function of(Request $request): self
    {
        $said = $request->headers->get('Content-Length');
        $json =
            (int) $said > self::MAX_BYTES
                ? ''
                : (string) stream_get_contents($request->getContent(true), self::MAX_BYTES + 1);
        if ((int) $said > self::MAX_BYTES || strlen($json) > self::MAX_BYTES) {
            throw ProblemException::tooLarge(self::MAX_BYTES);
        }
        if (null !== $said && (int) $said !== strlen($json)) {
            throw new NoRoom();
        }
        $fields = json_decode($json, true, self::MAX_DEPTH);

        return is_array($fields)
            ? new self($fields)
            : throw ProblemException::malformed('The request is not an object of JSON.');
    }

    /** @return array<mixed> for a reader that checks each field itself */
    public function all(): array
    {
        return $this->fields;
    }

    public function integer(string $field): int
    {
        $value = $this->fields[$field] ?? null;

        return is_int($value)
            ? $value
            : throw ProblemException::malformed(sprintf('“%s” must be a whole number.', $field));
    }

    public function findInteger(string $field): ?int
    {
        return isset($this->fields[$field]) ? $this->integer($field) : null;
    }

    public function text(string $field): string
    {
        $value = $this->fields[$field] ?? null;

        return is_string($value) && mb_check_encoding($value, 'UTF-8') && strlen($value) <= 8192
            ? Characters::cleaned($value)
            : throw ProblemException::malformed(sprintf('“%s” must be a text of at most 8,192 bytes.', $field));
    }

    /** A text of any length that the whole request may have. */
    public function longText(string $field): string
    {
        $value = $this->fields[$field] ?? null;

        return is_string($value) && mb_check_encoding($value, 'UTF-8')
            ? $value
            : throw ProblemException::malformed(sprintf('“%s” must be a text.', $field));
    }

    public function findText(string $field): ?string
    {
        return isset($this->fields[$field]) ? $this->text($field) : null;
    }

    /** @return array<mixed> */
    public function object(string $field): array
    {
        $value = $this->fields[$field] ?? null;

        return is_array($value)
            ? $value
            : throw ProblemException::malformed(sprintf('“%s” must be an object.', $field));
    }
}
