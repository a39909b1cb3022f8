<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\PayLinks\FewAMinute;
use Elmstone\Setup\HasKey;
use Elmstone\Staff\Doors\CheckPin;
use Elmstone\Staff\Doors\PinTries;
use Elmstone\Staff\Staff;
use Elmstone\Upkeep\MayMeasure;
use Elmstone\WebOrders\Address\KnowSender;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;

final class SignInTest extends FeatureCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Auth::logout();
        $this->flushSession();
    }

    private function try(string $number, string $pin): void
    {
        $this->from('/sign-in')
            ->post('/sign-in', ['till' => 1, 'number' => $number, 'pin' => $pin])
            ->assertRedirect('/sign-in');
    }

    public function test_someone_signs_in_at_a_till_with_a_session_of_their_own(): void
    {
        $this->get('/sign-in')->assertOk()->assertSee('Staff number');
        $before = session()->getId();
        $this->post('/sign-in', ['till' => 2, 'number' => '101', 'pin' => '4101'])->assertRedirect('/');
        $this->assertNotSame($before, session()->getId());
        $this->assertSame(2, session('till'));
        $this->get('/counter')->assertRedirect();
    }

    public function test_a_wrong_pin_and_an_unknown_number_get_the_same_answer(): void
    {
        $this->try('101', '0000');
        $wrong = session('errors')->first('refused');
        $this->try('999', '0000');
        $this->assertSame($wrong, session('errors')->first('refused'));
        $this->assertGuest();
    }

    public function test_five_wrong_tries_lock_a_number_until_time_or_the_owner_unlocks_it(): void
    {
        for ($try = 0; $try < PinTries::MOST; $try++) {
            $this->try('101', '0000');
        }

        $this->try('101', '4101');
        $this->assertStringContainsString('locked at this till until', session('errors')->first('refused'));
        $this->travel(PinTries::LOCKED_MINUTES + 1)->minutes();
        $this->post('/sign-in', ['till' => 1, 'number' => '101', 'pin' => '4101'])->assertRedirect('/');
    }

    public function test_the_owner_unlocks(): void
    {
        $clerk = Staff::query()->where('number', '101')->firstOrFail();
        $this->lock('101');
        $this->as('901')->get('/staff')->assertOk()->assertSee('Locked: unlock');
        $this->post("/staff/{$clerk->id}/unlock")->assertRedirect('/staff');
        $this->get('/staff')->assertDontSee('Locked: unlock');
        $this->post('/sign-out');
        $this->post('/sign-in', ['till' => 1, 'number' => '101', 'pin' => '4101'])->assertRedirect('/');
    }

    public function test_too_many_tries_from_one_place_are_held_up(): void
    {
        for ($try = 0; $try < 21; $try++) {
            $this->try((string) (500 + $try), '0000');
        }

        $this->assertStringContainsString('Too many tries', session('errors')->first('refused'));
    }

    private function lock(string $number): void
    {
        for ($try = 0; $try <= PinTries::MOST; $try++) {
            $this->try($number, '0000');
        }
    }

    public function test_right_pins_never_hold_anybody_up(): void
    {
        for ($try = 0; $try < 30; $try++) {
            $this->post('/sign-in', ['till' => 1, 'number' => '101', 'pin' => '4101'])->assertRedirect('/');
            $this->post('/sign-out');
        }

        $this->assertSame(0, (int) DB::table('pin_tries')->sum('tries'));
    }

    public function test_who_guesses_at_one_till_locks_nobody_out_at_another(): void
    {
        $this->lock('901');
        $this->try('901', '4901');
        $this->assertStringContainsString('locked at this till', session('errors')->first('refused'));
        $this->post('/sign-in', ['till' => 2, 'number' => '901', 'pin' => '4901'])->assertRedirect('/');
    }

    public function test_a_locked_number_in_other_digits_is_the_same_number(): void
    {
        $this->lock('901');

        foreach (['９０１', '901 ', ' 901'] as $typed) {
            $this->try($typed, '4901');
            $this->assertStringContainsString('Too many', session('errors')->first('refused'), $typed);
        }

        $this->assertGuest();
    }

    public function test_a_number_nobody_has_is_locked_like_any_other(): void
    {
        $this->lock('999');
        $unknown = str_replace('999', '101', session('errors')->first('refused'));
        $this->lock('101');
        $this->assertSame($unknown, session('errors')->first('refused'));
    }

    public function test_approval_fields_count_too_and_a_right_pin_after_the_lock_is_refused(): void
    {
        $this->as('101')->add('LH-1140');

        $asks = fn (string $pin) => $this->does("lines/{$this->lineId()}", [
            'price' => '3.00',
            'approver' => '201',
            'approver_pin' => $pin,
            'approver_reason' => 'please',
        ])->assertStatus(422);

        foreach (['0000', '0001', '0002', '0003', '0004'] as $pin) {
            $asks($pin)->assertSee('do not belong together');
        }

        $asks('4201')->assertSee('locked at this till');
        $this->as('101', 2);
        $this->assertSame('201', app(CheckPin::class)->handle('201', '4201', 2)->number);
    }

    public function test_pins_never_stand_in_the_session(): void
    {
        $this->try('101', '1357');
        $this->as('901')
            ->from('/staff')
            ->post('/staff', ['number' => '', 'name' => '', 'role' => 'clerk', 'pin' => '2468'])
            ->assertSessionHasErrors();
        $this->assertStringNotContainsString('2468', serialize(session()->all()));
        $sale = $this->as('101')->sell('LH-1140');
        $this->from("/documents/{$sale->label}")->post("/documents/{$sale->label}/void", [
            'act' => 'x',
            'approver' => '201',
            'approver_pin' => '97531',
            'approver_reason' => 'x',
        ]);
        $this->assertStringNotContainsString('97531', serialize(session()->all()));
    }

    public function test_the_person_serving_changes_and_the_till_stays(): void
    {
        $this->as('101', 2)
            ->from('/documents')
            ->post('/change-person', ['number' => '201', 'pin' => '4201'])
            ->assertRedirect('/documents');
        $this->assertSame(['201', 2], [Staff::query()->find(Auth::id())?->number, session('till')]);
    }

    public function test_who_has_left_is_out_at_once(): void
    {
        $this->as('101');
        Staff::query()
            ->where('number', '101')
            ->update(['active' => false]);
        Auth::setUser(Staff::query()->where('number', '101')->firstOrFail());
        $this->get('/counter')->assertRedirect('/sign-in');
    }

    public function test_pins_are_hashed(): void
    {
        $this->assertStringStartsWith('$2y$', Staff::query()->firstOrFail()->pin_hash);
    }

    public function test_every_page_but_the_door_asks_for_an_ability(): void
    {
        $open = ['up', 'sign-in', 'sign-out', 'sign-out/everywhere', 'lock', 'unlock', 'setup', 'setup/key'];

        foreach (Route::getRoutes()->getRoutes() as $route) {
            // Programs have a token instead, and their address is no page.
            if (str_starts_with($route->uri(), 'web/')) {
                $this->assertContains(KnowSender::class, $route->gatherMiddleware(), $route->uri());
            } elseif (str_starts_with($route->uri(), 'pay/')) {
                // Who pays by a link has the link instead, and so many tries a minute.
                $this->assertContains(FewAMinute::class, $route->gatherMiddleware(), $route->uri());
            } elseif ($route->uri() === 'metrics') {
                $this->assertContains(MayMeasure::class, $route->gatherMiddleware());
            } elseif (str_starts_with($route->uri(), 'setup/') && $route->uri() !== 'setup/key') {
                // Who sets the shop up has the key of the machine, before there is anybody.
                $this->assertContains(HasKey::class, $route->gatherMiddleware(), $route->uri());
            } elseif (! in_array($route->uri(), $open, true)) {
                $this->assertNotEmpty(
                    preg_grep('/^can:/', $route->gatherMiddleware()),
                    "{$route->uri()} is open to everybody",
                );
                $this->assertContains('auth', $route->gatherMiddleware(), $route->uri());
            }
        }
    }

    public function test_a_stranger_is_sent_to_the_door_and_a_clerk_kept_out_of_the_office(): void
    {
        $this->get('/documents')->assertRedirect('/sign-in');
        $this->as('101')->get('/staff')->assertForbidden()->assertSee('Ask a supervisor');
        $this->get('/items/new')->assertForbidden();
        $this->get("/counter/{$this->slip}/margin")->assertForbidden();
    }

    public function test_the_shop_keeps_an_owner(): void
    {
        $owner = Staff::query()->where('number', '901')->firstOrFail();
        $this->as('901')
            ->from('/staff')
            ->post("/staff/{$owner->id}", [
                'number' => '901',
                'name' => 'Owner Elm',
                'role' => 'clerk',
                'active' => '1',
            ])
            ->assertSessionHasErrors('refused');
        $this->assertSame('owner', $owner->refresh()->role->value);
        $this->post('/staff', [
            'number' => '7',
            'name' => '',
            'role' => 'clerk',
            'pin' => '12',
        ])->assertSessionHasErrors(['number', 'name', 'pin']);
        $this->post('/staff', [
            'number' => '107',
            'name' => 'New Nettle',
            'role' => 'clerk',
            'active' => '1',
            'pin' => '580213',
        ])->assertSessionHasNoErrors();
        $this->assertSame('New Nettle', app(CheckPin::class)->handle('107', '580213', 1)->name);
    }
}
