<?php

declare(strict_types=1);

namespace Stemmata\Command;

use Stemmata\Core\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\OperationReader;
use Stemmata\Core\SectionId;
use Stemmata\Format\Formats;
use Stemmata\Storage\Desk;
use Stemmata\Storage\DocumentStore;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Yaml\Yaml;

/**
 * The demo's texts are Markdown files like any other; what a writer notes beside a text stands in a file of notes and is
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
        private readonly OperationReader $operations,
        #[Autowire('%kernel.project_dir%/demo')]
        private readonly string $folder,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        foreach (self::DOCUMENTS as $name) {
            $document = $this->formats->read($name.'.md', $this->withFigures((string) file_get_contents($this->folder.'/'.$name.'.md')))->document;
            $jottings = is_file($file = $this->folder.'/'.$name.'.notes.yaml') ? Yaml::parseFile($file) : [];
            $jottings = is_array($jottings) ? $jottings : [];
            $document = $this->noted($jottings, $document);
            $id = $this->desk->add($document);
            if (is_string($jottings['resume'] ?? null)) {
                $this->desk->keepResumePoint($this->store->get($id), $this->find($document, $jottings['resume'])->value, 1);
            }
            $output->writeln(sprintf('“%s” is on the desk.', $document->titleBlock->title));
        }

        return self::SUCCESS;
    }

    /** The demo's drawings stand beside its texts; a document carries its pictures within itself. */
    private function withFigures(string $markdown): string
    {
        return (string) preg_replace_callback(
            '~src="(figures/[a-z-]+\.svg)"~',
            fn (array $match): string => 'src="data:image/svg+xml;base64,'.base64_encode((string) file_get_contents($this->folder.'/'.$match[1])).'"',
            $markdown,
        );
    }

    /** @param array<mixed> $jottings */
    private function noted(array $jottings, Document $document): Document
    {
        $document = $this->with($document, ['name' => 'describe-document', 'guidingStatement' => $jottings['guidingStatement'] ?? null, 'target' => $jottings['target'] ?? null]);
        foreach (is_array($jottings['notes'] ?? null) ? $jottings['notes'] : [] as $heading => $note) {
            $document = $this->with($document, ['name' => 'describe-section', 'sections' => [$this->find($document, (string) $heading)->value], ...(array) $note]);
        }
        foreach (self::headings($jottings, 'unnumbered') as $heading) {
            $document = $this->with($document, ['name' => 'describe-section', 'sections' => [$this->find($document, $heading)->value], 'numbered' => false]);
        }
        foreach (self::headings($jottings, 'setAside') as $heading) {
            $document = $this->with($document, ['name' => 'set-aside', 'sections' => [$this->find($document, $heading)->value]]);
        }

        return $document;
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

        return is_int($position) ? $document->outline->idAt($position) : throw new \LogicException(sprintf('The demo has no heading “%s”.', $heading));
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
