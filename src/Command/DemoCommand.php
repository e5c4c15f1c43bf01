<?php

declare(strict_types=1);

namespace Stemmata\Command;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Reminder;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Text\ReplaceBody;
use Stemmata\Core\Operation\Wire\OperationReader;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Formats;
use Stemmata\Storage\Desk\Desk;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Document\Written;
use Stemmata\Storage\History\Milestones;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Yaml\Yaml;

/**
 * The demo's texts are Markdown files like any other; what a writer notes beside a text stands in a file of notes and
 * is
 * put in by the same operations that the screens use.
 */
#[AsCommand('stemmata:demo', 'Puts the demo documents on the desk, anew')]
final class DemoCommand extends Command
{
    /** The last one comes to lie on top. */
    private const DOCUMENTS = ['paper-in-progress', 'policy-handbook', 'the-keepers-weather'];

    public function __construct(
        private readonly Formats $formats,
        private readonly Desk $desk,
        private readonly DocumentStore $store,
        private readonly Milestones $milestones,
        private readonly OperationReader $operations,
        private readonly IdSource $ids,
        #[Autowire('%kernel.project_dir%/demo')] private readonly string $folder,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        foreach (self::DOCUMENTS as $name) {
            $document = $this->formats->read(
                $name . '.md',
                $this->withFigures((string) file_get_contents($this->folder . '/' . $name . '.md')),
            )->document;
            $jottings = is_file($file = $this->folder . '/' . $name . '.notes.yaml') ? Yaml::parseFile($file) : [];
            $jottings = is_array($jottings) ? $jottings : [];
            $document = $this->noted($jottings, $document);
            $id = $this->desk->add($document);
            foreach (is_array($jottings['history'] ?? null) ? $jottings['history'] : [] as $step) {
                $this->done($id, (array) $step);
            }
            if (is_string($jottings['resume'] ?? null)) {
                $this->desk->keepResumePoint($id, $this->find($document, $jottings['resume'])->value, 1);
            }
            $output->writeln(sprintf('“%s” is on the desk.', $document->titleBlock->title));
        }

        return self::SUCCESS;
    }

    /** The demo's drawings stand beside its texts, and are read as one file with them. */
    private function withFigures(string $markdown): string
    {
        return (string) preg_replace_callback(
            '~src="(figures/[a-z-]+\.svg)"~',
            fn(array $match): string => 'src="data:image/svg+xml;base64,' .
                base64_encode((string) file_get_contents($this->folder . '/' . $match[1])) .
                '"',
            $markdown,
        );
    }

    /** @param array<mixed> $jottings */
    private function noted(array $jottings, Document $document): Document
    {
        $document = $this->with($document, [
            'name' => 'describe-document',
            'guidingStatement' => $jottings['guidingStatement'] ?? null,
            'target' => $jottings['target'] ?? null,
        ]);
        foreach (is_array($jottings['notes'] ?? null) ? $jottings['notes'] : [] as $heading => $note) {
            $document = $this->with($document, [
                'name' => 'describe-section',
                'sections' => [$this->find($document, (string) $heading)->value],
                ...(array) $note,
            ]);
        }
        foreach (is_array($jottings['reminders'] ?? null) ? $jottings['reminders'] : [] as $heading => $words) {
            assert(is_string($words));
            $document = $this->reminded($document, (string) $heading, $words);
        }
        foreach (self::headings($jottings, 'unnumbered') as $heading) {
            $document = $this->with($document, [
                'name' => 'describe-section',
                'sections' => [$this->find($document, $heading)->value],
                'numbered' => false,
            ]);
        }

        return $document;
    }

    /** A reminder at the end of the first paragraph of a section. */
    private function reminded(Document $document, string $heading, string $words): Document
    {
        $section = $document->section($this->find($document, $heading));
        $reminder = new Reminder($this->ids->next()->value, $words, false);
        $blocks = $section->body->blocks;
        foreach ($blocks as $index => $block) {
            if ('paragraph' === $block->type) {
                $blocks[$index] = $block->withContent([...$block->content, $reminder->node()]);

                return $document->withSection($section->withBody(Body::of($blocks)));
            }
        }
        throw new \LogicException(sprintf('The demo has no paragraph under “%s”.', $heading));
    }

    /**
     * One step of the history: an operation with headings in place of ids, a wording, or a milestone.
     *
     * @param array<mixed> $step
     */
    private function done(string $id, array $step): void
    {
        if (is_string($step['milestone'] ?? null)) {
            $this->milestones->name($id, $step['milestone']);

            return;
        }
        $document = $this->store->document($id);
        $operation = is_string($step['reword'] ?? null)
            ? $this->reworded($document, $step['reword'], $step)
            : $this->operations->read($this->withIds($document, $step));
        $outcome = $this->store->apply($id, $this->store->get($id)->revision, $operation);
        if (!($outcome instanceof Written)) {
            throw new \LogicException('A step of the demo’s history cannot be done: ' . $outcome->sentence);
        }
    }

    /** @param array<mixed> $step */
    private function reworded(Document $document, string $heading, array $step): ReplaceBody
    {
        [$from, $to] = [$step['from'] ?? '', $step['to'] ?? ''];
        assert(is_string($from) && is_string($to));
        $section = $document->section($this->find($document, $heading));

        return new ReplaceBody(
            $section->id,
            $section->body->mapped(
                static fn(Node $node): Node => $node->isText()
                    ? Node::text(str_replace($from, $to, $node->text), $node->marks)
                    : $node,
            ),
        );
    }

    /**
     * @param array<mixed> $step
     *
     * @return array<mixed>
     */
    private function withIds(Document $document, array $step): array
    {
        foreach (['section', 'target'] as $field) {
            if (is_string($step[$field] ?? null)) {
                $step[$field] = $this->find($document, $step[$field])->value;
            }
        }
        if (isset($step['sections'])) {
            $step['sections'] = array_map(
                fn(string $heading): string => $this->find($document, $heading)->value,
                self::headings($step, 'sections'),
            );
        }

        return $step;
    }

    /** @param array<mixed> $operation */
    private function with(Document $document, array $operation): Document
    {
        $outcome = $this->operations->read($operation)->applyTo($document);

        return $outcome instanceof Applied ? $outcome->document : throw new \LogicException($outcome->sentence);
    }

    private function find(Document $document, string $heading): SectionId
    {
        $position = array_search($heading, $document->headings(), true);

        return is_int($position)
            ? $document->outline->idAt($position)
            : throw new \LogicException(sprintf('The demo has no heading “%s”.', $heading));
    }

    /**
     * @param array<mixed> $jottings
     *
     * @return list<string>
     */
    private static function headings(array $jottings, string $field): array
    {
        return array_values(array_filter(is_array($jottings[$field] ?? null) ? $jottings[$field] : [], is_string(...)));
    }
}
