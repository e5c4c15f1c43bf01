<?php

declare(strict_types=1);

namespace Stemmata\Command;

use Doctrine\Migrations\DependencyFactory;
use Stemmata\Disk\TemporaryFile;
use Stemmata\Storage\Database\DataFolder;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * What bin/start asks before it serves: is the database sound, is it free, and is it kept before it is brought up to
 * date.
 */
#[AsCommand('stemmata:data', 'Looks the folder of the database over; says in a sentence what is wrong')]
final class DataCommand extends Command
{
    public function __construct(
        #[Autowire('%env(STEMMATA_DATA)%')] private readonly string $folder,
        #[Autowire(service: 'doctrine.migrations.dependency_factory')] private readonly DependencyFactory $migrations,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('alone', null, InputOption::VALUE_NONE, 'Nothing else may have the database open')->addOption(
            'backup',
            null,
            InputOption::VALUE_NONE,
            'Keep a copy when the database is about to be brought up to date',
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $say = static function (string $sentence) use ($errors): void {
            $errors->writeln($sentence, OutputInterface::OUTPUT_RAW);
        };
        TemporaryFile::sweep();
        $data = new DataFolder($this->folder);
        $trouble =
            $input->getOption('alone') && $data->isInUse()
                ? sprintf(
                    'Another Stemmata has the database in %s open. Stop it first, or choose another folder with --data.',
                    $this->folder,
                )
                : $data->findTrouble($say);
        if (null === $trouble && is_file($data->database)) {
            $data->close();
            $trouble = $this->findNewerVersion();
            if (
                null === $trouble &&
                $input->getOption('backup') &&
                count($this->migrations->getMigrationStatusCalculator()->getNewMigrations()) > 0
            ) {
                $say(
                    sprintf(
                        'The database is brought up to date; as it was, it is kept in %s.',
                        $data->backedUp('before-update'),
                    ),
                );
            }
        }
        if (null !== $trouble) {
            $say($trouble);
        }

        return null === $trouble ? self::SUCCESS : self::FAILURE;
    }

    private function findNewerVersion(): ?string
    {
        $unknown = $this->migrations->getMigrationStatusCalculator()->getExecutedUnavailableMigrations();

        return 0 === count($unknown)
            ? null
            : 'The database was written by a newer Stemmata. Start that one, or put back a backup from before.';
    }
}
