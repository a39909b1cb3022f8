<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Staff\CheckPin;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\Auth;
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
        $this->from('/sign-in')->post('/sign-in', ['till' => 1, 'number' => $number, 'pin' => $pin])->assertRedirect('/sign-in');
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
        for ($try = 0; $try < CheckPin::TRIES; $try++) {
            $this->try('101', '0000');
        }

        $this->try('101', '4101');
        $this->assertStringContainsString('locked until', session('errors')->first('refused'));
        $this->travel(CheckPin::LOCKED_MINUTES + 1)->minutes();
        $this->post('/sign-in', ['till' => 1, 'number' => '101', 'pin' => '4101'])->assertRedirect('/');
    }

    public function test_the_owner_unlocks(): void
    {
        $clerk = Staff::query()->where('number', '101')->firstOrFail();
        $clerk->update(['locked_until' => now()->addHour()]);
        $this->as('901')->post("/staff/{$clerk->id}/unlock")->assertRedirect('/staff');
        $this->assertFalse($clerk->refresh()->isLocked());
    }

    public function test_too_many_tries_from_one_place_are_held_up(): void
    {
        for ($try = 0; $try < 21; $try++) {
            $this->try((string) (500 + $try), '0000');
        }

        $this->assertStringContainsString('Too many tries', session('errors')->first('refused'));
    }

    public function test_the_person_serving_changes_and_the_till_stays(): void
    {
        $this->as('101', 2)->from('/documents')->post('/change-person', ['number' => '201', 'pin' => '4201'])->assertRedirect('/documents');
        $this->assertSame(['201', 2], [Staff::query()->find(Auth::id())?->number, session('till')]);
    }

    public function test_who_has_left_is_out_at_once(): void
    {
        $this->as('101');
        Staff::query()->where('number', '101')->update(['active' => false]);
        Auth::setUser(Staff::query()->where('number', '101')->firstOrFail());
        $this->get('/counter')->assertRedirect('/sign-in');
    }

    public function test_pins_are_hashed(): void
    {
        $this->assertStringStartsWith('$2y$', Staff::query()->firstOrFail()->pin_hash);
    }

    public function test_every_page_but_the_door_asks_for_an_ability(): void
    {
        $open = ['up', 'sign-in', 'sign-out', 'storage/{path}'];

        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (! in_array($route->uri(), $open, true)) {
                $this->assertNotEmpty(preg_grep('/^can:/', $route->gatherMiddleware()), "{$route->uri()} is open to everybody");
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
        $this->as('901')->from('/staff')->post("/staff/{$owner->id}", ['number' => '901', 'name' => 'Owner Elm', 'role' => 'clerk', 'active' => '1'])->assertSessionHasErrors('refused');
        $this->assertSame('owner', $owner->refresh()->role->value);
        $this->post('/staff', ['number' => '7', 'name' => '', 'role' => 'clerk', 'pin' => '12'])->assertSessionHasErrors(['number', 'name', 'pin']);
        $this->post('/staff', ['number' => '107', 'name' => 'New Nettle', 'role' => 'clerk', 'active' => '1', 'pin' => '9107'])->assertSessionHasNoErrors();
        $this->assertSame('New Nettle', (new CheckPin)->handle('107', '9107')->name);
    }
}
