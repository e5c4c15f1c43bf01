<?php

declare(strict_types=1);

namespace Stemmata\Command;

use Stemmata\Core\Counting\WordCount;
use Stemmata\Format\Formats;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('stemmata:outline', 'Prints the outline of a file; stores nothing')]
final class OutlineCommand extends FileCommand
{
    public function __construct(Formats $formats, private readonly WordCount $words)
    {
        parent::__construct($formats);
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED)->addOption(
            'json',
            null,
            InputOption::VALUE_NONE,
            'As JSON',
        );
    }

    protected function work(InputInterface $input, OutputInterface $output): void
    {
        $read = $this->readFile($input, 'file');
        $document = $read->document;
        $numbers = $document->numbers();
        $sections = [];
        foreach ($document->sections() as $position => $section) {
            $sections[] = [
                'level' => $document->outline->levelAt($position)->value,
                'number' => '' === $numbers[$position] ? null : $numbers[$position],
                'heading' => $section->heading->plainText(),
                'words' => $this->words->ofBody($section),
            ];
        }
        if ($input->getOption('json')) {
            $title = $document->titleBlock->title;
            self::answer($output, [
                'title' => '' === $title ? null : $title,
                'sections' => $sections,
                'warnings' => $read->report->warnings(),
            ]);

            return;
        }
        foreach ($sections as $section) {
            $output->writeln(
                str_repeat('  ', max(0, $section['level'] - 1)) . trim($section['number'] . ' ' . $section['heading']),
                OutputInterface::OUTPUT_RAW,
            );
        }
    }
}
