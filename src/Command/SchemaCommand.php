<?php

declare(strict_types=1);

namespace Stemmata\Command;

use OpenApi\Generator;
use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\Document\Filler;
use Stemmata\Core\Document\Reminder;
use Stemmata\Core\Formula\Formula;
use Stemmata\Core\Formula\MathMl;
use Stemmata\Core\Link\KeptFile;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\Picture;
use Stemmata\Http\Operation\OperationSchema;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Both files are made from PHP, so that neither the editor nor the API's types can drift from it. */
#[
    AsCommand(
        'stemmata:schema',
        'Prints the schema of texts with the rules of links, pictures and levels (body) or of the HTTP interface (api) as JSON',
    ),
]
final class SchemaCommand extends Command
{
    public function __construct(#[Autowire('%kernel.project_dir%/src/Http')] private readonly string $source)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('which', InputArgument::REQUIRED, 'body or api');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $schema =
            'api' === $input->getArgument('which')
                ? $this->api()
                : [
                    'nodes' => self::withObjects(BodySchema::NODES),
                    'marks' => self::withObjects(BodySchema::MARKS),
                    'targets' => [
                        'id' => SectionId::PATTERN,
                        'schemes' => LinkTarget::SCHEMES,
                        'mostBytes' => LinkTarget::MAX_BYTES,
                        'kept' => KeptFile::PATTERN,
                        'keptEndings' => KeptFile::ENDINGS,
                    ],
                    'filler' => Filler::PARAGRAPHS,
                    'pictures' => ['kinds' => Picture::KINDS, 'mostBytes' => Picture::MAX_BYTES],
                    'formulas' => [
                        'namespace' => MathMl::NAMESPACE,
                        'elements' => MathMl::ELEMENTS,
                        'attributes' => MathMl::ATTRIBUTES,
                        'mostBytes' => Formula::MAX_BYTES,
                    ],
                    'lineLooks' => array_map(
                        static fn(LineLook $look): string => $look->css(),
                        array_column(LineLook::cases(), null, 'value'),
                    ),
                    'mostReminder' => Reminder::LONGEST,
                    'levels' => range(Level::One->value, Level::Nine->value),
                ];
        $output->writeln(
            json_encode(
                $schema,
                \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }

    /**
     * An empty list of attributes is still a list by name.
     *
     * @param array<string, array{attributes: array<string, string>, ...}> $rules
     *
     * @return array<string, mixed>
     */
    private static function withObjects(array $rules): array
    {
        return array_map(
            static fn(array $rule): array => [...$rule, 'attributes' => (object) $rule['attributes']],
            $rules,
        );
    }

    /** @return array<mixed> */
    private function api(): array
    {
        $openApi =
            Generator::scan([$this->source]) ?? throw new \LogicException('The controllers describe no interface.');
        $openApi->openapi = '3.1.0';
        $described = json_decode($openApi->toJson(), true, flags: \JSON_THROW_ON_ERROR);
        assert(
            is_array($described) &&
                is_array($described['components'] ?? null) &&
                is_array($described['components']['schemas'] ?? null),
        );
        // What we answer is always complete; only requests may leave fields out, and they say which they need.
        $described['components']['schemas'] =
            array_map(
                static fn(mixed $schema): mixed => is_array($schema) && is_array($schema['properties'] ?? null)
                    ? $schema + ['required' => array_keys($schema['properties'])]
                    : $schema,
                $described['components']['schemas'],
            ) + OperationSchema::schemas();

        return $described;
    }
}
