<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Foundation\Http\KeptSession;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Session;

final class KeptSessionTest extends FeatureCase
{
    private function handler(): KeptSession
    {
        $handler = Session::driver('database')->getHandler();
        $this->assertInstanceOf(KeptSession::class, $handler);
        Session::forgetDrivers();

        return $handler;
    }

    /** How many times the act writes a session down. */
    private function writes(callable $act): int
    {
        DB::flushQueryLog();
        DB::enableQueryLog();
        $act();
        DB::disableQueryLog();

        return count(
            array_filter(
                DB::getQueryLog(),
                static fn (array $query): bool => preg_match('/^(insert|update)/', $query['query']) === 1,
            ),
        );
    }

    public function test_what_did_not_change_is_not_written_again_within_a_minute(): void
    {
        $begins = $this->handler();
        $this->assertSame('', $begins->read('one'));
        $this->assertSame(1, $this->writes(static fn () => $begins->write('one', 'a')));
        $goesOn = $this->handler();
        $this->assertSame('a', $goesOn->read('one'));
        $this->assertSame(0, $this->writes(static fn () => $goesOn->write('one', 'a')));
        $this->assertSame(1, $this->writes(static fn () => $goesOn->write('one', 'b')));
        $this->assertSame('b', $this->handler()->read('one'));
    }

    public function test_after_a_minute_it_is_written_that_somebody_is_there(): void
    {
        $this->handler()->write('one', 'a');
        $this->travel(61)->seconds();
        $later = $this->handler();
        $this->assertSame('a', $later->read('one'));
        $this->assertSame(1, $this->writes(static fn () => $later->write('one', 'a')));
        $seen = DB::table('sessions')->where('id', 'one')->value('last_activity');
        $this->assertSame(now()->getTimestamp(), $seen);
    }

    public function test_another_session_and_one_that_ran_out_are_written(): void
    {
        $handler = $this->handler();
        $handler->write('one', 'a');
        $handler->read('one');
        $this->assertSame(1, $this->writes(static fn () => $handler->write('two', 'a')));
        $this->travel((int) config('session.lifetime') + 1)->minutes();
        $late = $this->handler();
        $this->assertSame('', $late->read('one'));
        $this->assertSame(1, $this->writes(static fn () => $late->write('one', 'a')));
    }

    public function test_what_a_page_asks_for_by_itself_is_no_page_somebody_came_from(): void
    {
        $this->as('101')->get('/counter')->assertRedirect();
        $this->get('/documents')->assertOk();
        $this->get("/counter/{$this->slip}/find?q=pipe", ['X-Requested-With' => 'fetch'])->assertOk();
        $this->assertStringEndsWith('/documents', (string) session()->previousUrl());
    }
}
