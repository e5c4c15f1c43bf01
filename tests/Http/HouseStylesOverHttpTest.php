<?php

declare(strict_types=1);

namespace Stemmata\Tests\Http;

use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\LiveServer;

/** The house styles of the desk, and which of them new documents have. */
final class HouseStylesOverHttpTest extends TestCase
{
    private static LiveServer $server;

    public static function setUpBeforeClass(): void
    {
        self::$server = LiveServer::overEmptyDatabase();
    }

    public function testNewDocumentsHaveTheLookThatIsChosenForThem(): void
    {
        self::assertSame(['reading'], self::forNew());
        self::assertSame(['Reading', false], self::lookOfANewOne());

        self::$server->find('PUT', '/api/house-styles/report/for-new');
        self::assertSame(['report'], self::forNew());
        self::assertSame(['Report', false], self::lookOfANewOne('business-report'));

        $own = self::$server->get('POST', '/api/house-styles', [
            'sheet' => ['name' => 'Ours', 'basedOn' => 'policy', 'kinds' => ['body' => ['size' => '12pt']]],
        ]);
        self::assertIsString($own['id']);
        self::$server->find('PUT', '/api/house-styles/' . $own['id'] . '/for-new');
        self::assertSame([$own['id']], self::forNew());
        self::assertSame(['Ours', true], self::lookOfANewOne());

        // Gone, it is the usual one again; what has its look keeps it.
        self::$server->find('DELETE', '/api/house-styles/' . $own['id']);
        self::assertSame(['reading'], self::forNew());
        self::assertSame(['Reading', false], self::lookOfANewOne());
        self::assertContains('Ours', array_map(self::lookOf(...), self::documents()));
    }

    public function testOneThatIsNotThereIsRefused(): void
    {
        $refused = self::$server->get('PUT', '/api/house-styles/none/for-new');
        self::assertSame([404, 'There is no such house style.'], [$refused['status'], $refused['detail']]);
    }

    /** @return list<mixed> the ids of those that new documents have */
    private static function forNew(): array
    {
        $chosen = array_filter(
            self::$server->get('GET', '/api/house-styles'),
            static fn(mixed $style): bool => is_array($style) && true === $style['isForNew'],
        );

        return array_column(array_values($chosen), 'id');
    }

    /** @return array{mixed, mixed} what its look is called, and whether there is more to it than to one that ships */
    private static function lookOfANewOne(string $starter = 'blank'): array
    {
        $made = self::$server->get('POST', '/api/documents', ['title' => 'New', 'starter' => $starter]);
        self::assertIsString($made['id'] ?? null);
        $sheet = self::$server->get('GET', '/api/documents/' . $made['id'] . '/style-sheet');

        return [$sheet['name'], $sheet['isChanged']];
    }

    private static function lookOf(string $document): mixed
    {
        return self::$server->get('GET', '/api/documents/' . $document . '/style-sheet')['name'];
    }

    /** @return list<string> */
    private static function documents(): array
    {
        return array_values(
            array_filter(array_column(self::$server->get('GET', '/api/documents'), 'id'), is_string(...)),
        );
    }
}
