<?php

declare(strict_types=1);

namespace Stemmata\Command;

use Stemmata\Core\Check\Finding;
use Stemmata\Core\Check\StructureCheck;
use Stemmata\Format\Formats;
use Stemmata\Typesetting\Typesetter;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('stemmata:check', 'Checks the structure of a file')]
final class CheckCommand extends FileCommand
{
    private bool $hasFailed = false;

    public function __construct(Formats $formats, private readonly Typesetter $typesetter)
    {
        parent::__construct($formats);
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED)
            ->addOption('json', null, InputOption::VALUE_NONE, 'As JSON')
            ->addOption(
                'pages',
                null,
                InputOption::VALUE_NONE,
                'Sets the pages as well, and tells what they cannot show',
            )
            ->addOption('strict', null, InputOption::VALUE_NONE, 'Ends with exit code 1 when anything is found');
    }

    protected function isFailure(): bool
    {
        return $this->hasFailed;
    }

    protected function work(InputInterface $input, OutputInterface $output): void
    {
        $document = $this->readFile($input, 'file')->document;
        $findings = StructureCheck::of($document);
        if ($input->getOption('pages')) {
            $findings = [...$findings, ...$this->typesetter->typeset($document, 'checked')->findings];
        }
        $this->hasFailed = true === $input->getOption('strict') && [] !== $findings;
        if ($input->getOption('json')) {
            self::answer($output, [
                'findings' => array_map(
                    static fn(Finding $finding): array => [
                        'rule' => $finding->rule,
                        'section' => $finding->position,
                        'message' => $finding->message,
                        'source' => $finding->source,
                    ],
                    $findings,
                ),
            ]);

            return;
        }
        foreach ($findings as $finding) {
            $output->writeln(
                sprintf(
                    '%s: %s',
                    $document->outline->count() > $finding->position
                        ? $document->nameAt($finding->position)
                        : 'the document',
                    $finding->message,
                ),
                OutputInterface::OUTPUT_RAW,
            );
        }
    }
}
