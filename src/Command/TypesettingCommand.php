<?php

declare(strict_types=1);

namespace Stemmata\Command;

use Stemmata\Typesetting\Engine\ServiceEngine;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('stemmata:typesetting', 'Starts the service that makes pages, in place of one that runs')]
final class TypesettingCommand extends Command
{
    public function __construct(private readonly ServiceEngine $engine)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $this->engine->restart();

        return self::SUCCESS;
    }
}
