<?php

declare(strict_types=1);

namespace Stemmata\Command;

use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Detail\UseHouseStyle;
use Stemmata\Core\Operation\Detail\UseStyleSheet;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Text\GenerateContents;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Format\Formats;
use Stemmata\Format\Shared\FormatException;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('stemmata:convert', 'Reads one file and writes another, the formats told by the files’ endings')]
final class ConvertCommand extends FileCommand
{
    private const CONTENTS_TO = 3;
    /** Bytes; a sheet that says all of every kind has some 40,000. */
    private const MOST_OF_A_SHEET = 1_000_000;

    public function __construct(Formats $formats, private readonly IdSource $ids)
    {
        parent::__construct($formats);
    }

    protected function configure(): void
    {
        $this->addArgument('in', InputArgument::REQUIRED)
            ->addArgument('out', InputArgument::REQUIRED)
            ->addOption('contents', null, InputOption::VALUE_NONE, 'Begin with contents of levels 1 to 3')
            ->addOption(
                'house-style',
                null,
                InputOption::VALUE_REQUIRED,
                'How it looks: a house style (reading, academic, report …), or a style sheet such as sheet.json',
            );
    }

    protected function work(InputInterface $input, OutputInterface $output): void
    {
        $out = self::path($input, 'out');
        $writer = $this->formats->writerFor(pathinfo($out, \PATHINFO_EXTENSION));
        $read = $this->readFile($input, 'in');
        $document = self::styled($read->document, $input);
        $rendition = Rendition::of($input->getOption('contents') ? $this->withContents($document) : $document);
        $this->write($out, $writer->write($rendition));
        foreach ([...$read->report->losses(), ...$writer->passesOver($document)] as $loss) {
            self::errors($output)->writeln($loss, OutputInterface::OUTPUT_RAW);
        }
    }

    /**
     * A file that cannot be written to its end leaves the one that was there as it was.
     *
     * @param iterable<string> $portions
     */
    private function write(string $out, iterable $portions): void
    {
        $unfinished = $out . '.unfinished-' . bin2hex(random_bytes(4));
        $file = is_dir(dirname($out)) && !is_dir($out) ? @fopen($unfinished, 'w') : false;
        if (false === $file) {
            throw FormatException::notWritable($out);
        }
        try {
            foreach ($portions as $portion) {
                if (strlen($portion) !== @fwrite($file, $portion)) {
                    throw FormatException::notWritable($out);
                }
            }
            fclose($file);
            if (!@rename($unfinished, $out)) {
                throw FormatException::notWritable($out);
            }
        } finally {
            @unlink($unfinished);
        }
    }

    private static function styled(Document $document, InputInterface $input): Document
    {
        $name = $input->getOption('house-style');
        if (!is_string($name)) {
            return $document;
        }
        $chosen = (str_ends_with(strtolower($name), '.json')
            ? new UseStyleSheet(StyleSheet::fromJson(self::sheetIn($name)))
            : new UseHouseStyle($name)
        )->applyTo($document);

        return $chosen instanceof Refused ? throw FormatException::said($chosen->sentence) : $chosen->document;
    }

    /** @return mixed what the file holds; null for what is no JSON */
    private static function sheetIn(string $file): mixed
    {
        $size = is_file($file) ? filesize($file) : false;
        if (false === $size || $size > self::MOST_OF_A_SHEET) {
            throw FormatException::said(sprintf('There is no style sheet “%s” that could be read.', $file));
        }

        return json_decode((string) file_get_contents($file), true, 16);
    }

    /** Contents stand in the opening; a document without one gets it for them. One that has contents keeps those. */
    private function withContents(Document $document): Document
    {
        if ([] !== $document->contentsHolders()) {
            return $document;
        }
        if (!$document->outline->hasOpening()) {
            $opening = Section::blank($this->ids->next());
            $document = $document
                ->withSection($opening)
                ->withOutline(Outline::of($opening->id, Level::Opening)->followedBy($document->outline));
        }
        $made = (new GenerateContents(
            $document->outline->idAt(0),
            new ContentsSettings(1, self::CONTENTS_TO, true, 'Contents'),
        ))->applyTo($document);

        return $made instanceof Refused ? $document : $made->document;
    }
}
