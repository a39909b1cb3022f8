<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Foundation\FoundationProvider;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** Another machine before this one: who asked, and how, is what that one says, and nobody else. */
final class FrontTest extends FeatureCase
{
    private const FRONT = '10.0.0.5';

    private const SAID = ['X-Forwarded-For' => '203.0.113.7', 'X-Forwarded-Proto' => 'https'];

    protected function tearDown(): void
    {
        TrustProxies::flushState();
        parent::tearDown();
    }

    /** @return iterable<string, array{list<string>, string, string, bool}> */
    public static function asked(): iterable
    {
        yield 'the front is believed' => [[self::FRONT], self::FRONT, '203.0.113.7', true];
        yield 'somebody who plays the front is not' => [[self::FRONT], '10.0.0.9', '10.0.0.9', false];
        yield 'where there is no front nobody is' => [[], self::FRONT, self::FRONT, false];
    }

    /** @param  list<string>  $proxies */
    #[DataProvider('asked')]
    public function test_who_asked_and_how_is_what_the_front_says(
        array $proxies,
        string $asks,
        string $seen,
        bool $isByTls,
    ): void {
        $this->before($proxies);
        $page = $this->withServerVariables(['REMOTE_ADDR' => $asks])->get('/sign-in', self::SAID);
        self::assertSame($isByTls, $page->headers->has('Strict-Transport-Security'));
        // A wrong PIN is on record with the address it came from.
        $this->withServerVariables(['REMOTE_ADDR' => $asks])
            ->post('/sign-in', ['till' => '1', 'number' => '101', 'pin' => '9999'], self::SAID);
        self::assertSame($seen, DB::table('security_log')->latest('id')->value('address'));
    }

    /** The name it was asked by is nobody’s to say but by Host, which must be one that is known. */
    public function test_a_forwarded_name_is_believed_of_nobody(): void
    {
        $this->before([self::FRONT]);
        $this->withServerVariables(['REMOTE_ADDR' => self::FRONT])
            ->get('/sign-in', [...self::SAID, 'X-Forwarded-Host' => 'elsewhere.example'])
            ->assertOk()
            ->assertDontSee('elsewhere.example');
    }

    /** @param  list<string>  $proxies */
    private function before(array $proxies): void
    {
        config(['house.proxies' => $proxies]);
        (new FoundationProvider($this->app))->boot();
        Auth::logout();
    }
}
