<?php

declare(strict_types=1);

namespace Stemmata\Command;

use Stemmata\Core\CoreException;
use Stemmata\Format\Formats;
use Stemmata\Format\Read\ReadResult;
use Stemmata\Format\Shared\FormatException;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** A command that works on a file. What goes wrong is told in one line on the error stream, with exit code 1. */
abstract class FileCommand extends Command
{
    public function __construct(protected readonly Formats $formats)
    {
        parent::__construct();
    }

    /**
     * @throws CoreException
     * @throws FormatException
     */
    abstract protected function work(InputInterface $input, OutputInterface $output): void;

    /** Whether what was found is a failure for whoever asked, though the command did its work. */
    protected function isFailure(): bool
    {
        return false;
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        // A million words take more than PHP's usual allowance while they are parsed.
        ini_set('memory_limit', '2G');
        try {
            $this->work($input, $output);

            return $this->isFailure() ? self::FAILURE : self::SUCCESS;
        } catch (\Throwable $error) {
            $isForPeople = $error instanceof CoreException || $error instanceof FormatException;
            self::errors($output)->writeln(
                $isForPeople ? $error->getMessage() : 'Something went wrong inside Stemmata; nothing was written.',
                OutputInterface::OUTPUT_RAW,
            );

            return self::FAILURE;
        }
    }

    public static function errors(OutputInterface $output): OutputInterface
    {
        return $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
    }

    /** @throws FormatException */
    protected function readFile(InputInterface $input, string $argument): ReadResult
    {
        $path = self::path($input, $argument);
        if (!is_file($path) || !is_readable($path)) {
            throw FormatException::missing($path);
        }
        if (filesize($path) > Formats::MAX_BYTES) {
            throw FormatException::tooLarge(Formats::MAX_BYTES);
        }

        return $this->formats->readAsIs($path, (string) file_get_contents($path));
    }

    protected static function path(InputInterface $input, string $argument): string
    {
        $path = $input->getArgument($argument);

        return is_string($path) ? $path : '';
    }

    /** @param array<string, mixed> $answer */
    protected static function answer(OutputInterface $output, array $answer): void
    {
        $output->writeln(
            json_encode(
                $answer,
                \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
            ),
            OutputInterface::OUTPUT_RAW,
        );
    }
}
