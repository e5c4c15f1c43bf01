<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

/** One document on a live server, as a program sees it that speaks HTTP. */
final class LiveDocument
{
    private function __construct(private LiveServer $server, public readonly string $id) {}

    public static function from(LiveServer $server, string $markdown): self
    {
        $made = $server->get('POST', '/api/documents/import?name=x.md', $markdown);

        return new self(
            $server,
            is_string($made['id'] ?? null)
                ? $made['id']
                : throw new \RuntimeException('The document was not made: ' . json_encode($made)),
        );
    }

    public static function withId(LiveServer $server, string $id): self
    {
        return new self($server, $id);
    }

    /** The same document on a server started anew. */
    public function on(LiveServer $server): self
    {
        return new self($server, $this->id);
    }

    /** @return array<mixed> */
    public function get(string $path = ''): array
    {
        return $this->server->get('GET', '/api/documents/' . $this->id . $path);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array<mixed>
     */
    public function post(string $path, array $body): array
    {
        return $this->server->get('POST', '/api/documents/' . $this->id . $path, $body);
    }

    /**
     * @param array<string, mixed> $operation
     *
     * @return array<mixed> the outcome, or why it was refused
     */
    public function operate(array $operation, ?int $baseRevision = null): array
    {
        return $this->post('/operations', [
            'baseRevision' => $baseRevision ?? $this->revision(),
            'operation' => $operation,
        ]);
    }

    /** @return array<mixed> */
    public function type(int $position, string $words): array
    {
        return $this->operate([
            'name' => 'replace-body',
            'section' => $this->section($position),
            'body' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $words]]]],
        ]);
    }

    /** @return array<mixed> */
    public function undo(): array
    {
        return $this->post('/undo', ['baseRevision' => $this->revision()]);
    }

    /** @return array<mixed> */
    public function redo(): array
    {
        return $this->post('/redo', ['baseRevision' => $this->revision()]);
    }

    public function revision(): int
    {
        $revision = $this->get()['revision'];

        return is_int($revision) ? $revision : throw new \RuntimeException('A revision is a number.');
    }

    public function section(int $position): string
    {
        return $this->ids()[$position] ?? throw new \RuntimeException("There is no section at {$position}.");
    }

    public function count(): int
    {
        return count($this->ids());
    }

    /** @return list<string> “1 One”, “2 Two” */
    public function outline(): array
    {
        $skeleton = $this->get();
        $outline = $skeleton['outline'];
        $levels = is_array($outline) && is_string($outline['levels']) ? $outline['levels'] : '';
        $headings = is_array($skeleton['sections']) ? array_column($skeleton['sections'], 'heading') : [];

        return array_map(
            static fn(int $at, mixed $heading): string => trim(
                $levels[$at] . ' ' . (is_string($heading) ? $heading : ''),
            ),
            array_keys($headings),
            $headings,
        );
    }

    /**
     * All that a reader could see of it: the order, the levels, the headings and the words.
     *
     * @return array<string, mixed>
     */
    public function text(): array
    {
        $bodies = array_column($this->get('/texts?sections=' . implode(',', $this->ids())), 'body', 'id');
        ksort($bodies);

        return [
            'ids' => $this->ids(),
            'outline' => $this->outline(),
            'bodies' => $bodies,
            'offcuts' => array_column($this->get('/offcuts'), 'id'),
        ];
    }

    /** The step that led to how it reads now; 0 for the beginning. */
    public function state(): int
    {
        foreach ($this->steps() as $step) {
            if (false === $step['undone'] && is_int($step['id'])) {
                return $step['id'];
            }
        }

        return 0;
    }

    /**
     * “@1” in an operation stands for the id of the second section.
     *
     * @template T
     *
     * @param T $operation
     *
     * @return T
     */
    public function withIds(mixed $operation): mixed
    {
        if (is_array($operation)) {
            array_walk_recursive($operation, function (mixed &$value): void {
                $value =
                    is_string($value) && 1 === preg_match('/\A@\d\z/', $value)
                        ? $this->section((int) $value[1])
                        : $value;
            });
        }

        return $operation;
    }

    /** @return list<array<mixed>> the last first */
    public function steps(): array
    {
        $steps = [];
        foreach ((array) $this->get('/history')['sittings'] as $sitting) {
            $steps = [...$steps, ...array_values(array_filter((array) $sitting, is_array(...)))];
        }

        return $steps;
    }

    /** @return list<string> */
    public function ids(): array
    {
        $outline = $this->get()['outline'];

        return is_array($outline) && is_array($outline['ids'])
            ? array_values(array_filter($outline['ids'], is_string(...)))
            : [];
    }
}
