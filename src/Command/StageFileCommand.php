<?php

declare(strict_types=1);

namespace Stemmata\Command;

use Stemmata\Core\CoreException;
use Stemmata\Format\Shared\FormatException;
use Stemmata\Http\TextIn\ReadingWorker;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** The server’s other half of an import: run by it with limits of memory and time, and ended when it takes too long. */
#[AsCommand('stemmata:stage-file', 'Reads a file and makes its sections ready to be stored', hidden: true)]
final class StageFileCommand extends Command
{
    public function __construct(private readonly ReadingWorker $worker)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('name', InputArgument::REQUIRED)
            ->addArgument('in', InputArgument::REQUIRED)
            ->addArgument('out', InputArgument::REQUIRED);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        [$name, $in, $out] = array_map(
            static fn(string $argument): string => is_string($value = $input->getArgument($argument)) ? $value : '',
            ['name', 'in', 'out'],
        );
        try {
            $this->worker->stage($name, (string) file_get_contents($in))->writeTo($out);

            return self::SUCCESS;
        } catch (CoreException | FormatException $problem) {
            FileCommand::errors($output)->writeln($problem->getMessage(), OutputInterface::OUTPUT_RAW);

            return self::FAILURE;
        }
    }
}
