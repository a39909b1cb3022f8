<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use PHPUnit\Framework\TestCase;

/** Tests in headless Chromium, at the demonstration shop, served as ./elmstone up serves it. */
abstract class BrowserCase extends TestCase
{
    private static ?Chromium $chromium = null;

    private static ?Served $served = null;

    /** @var list<Clerk> */
    private array $clerks = [];

    protected function tearDown(): void
    {
        foreach ($this->clerks as $clerk) {
            self::$chromium?->handBack($clerk->browser, $this->served()->address);
        }

        $this->clerks = [];
    }

    protected function served(): Served
    {
        return self::$served ??= new Served(getenv('ELMSTONE_SERVED_DATABASE') ?: 'elmstone_test_browser');
    }

    /** Someone at a till with a browser of their own, for one test. */
    protected function clerk(string $number = '101', int $till = 1): Clerk
    {
        return $this->clerks[] = $this->signedIn($number, $till);
    }

    /** Somebody who is not signed in, on a screen of so many pixels. */
    protected function stranger(int $width, int $height): Clerk
    {
        return $this->clerks[] = new Clerk(
            (self::$chromium ??= new Chromium)->window($width, $height),
            $this->served()->address,
        );
    }

    /** Somebody at another server. */
    protected function at(string $address): Clerk
    {
        return $this->clerks[] = new Clerk((self::$chromium ??= new Chromium)->window(), $address);
    }

    /** The same, for as long as whoever asks keeps it. */
    protected function signedIn(string $number, int $till = 1): Clerk
    {
        $window = (self::$chromium ??= new Chromium)->window();
        $clerk = new Clerk($window, $this->served()->address);
        $clerk->signIn($number, $till)->go('/counter/new');

        return $clerk->await(static fn (): bool => $clerk->focus() === 'entry', 'the entry line');
    }

    /** That the browser met no script error and refused nothing for the content security policy. */
    protected function assertCalm(Clerk $clerk): void
    {
        foreach ($clerk->browser->manage()->getLog('browser') as $entry) {
            self::assertStringNotContainsString('Content Security Policy', $entry['message']);
            self::assertStringNotContainsString('Uncaught', $entry['message']);
        }
    }
}
