<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Shop\Location;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Elmstone\Tills\TillSession;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** Somebody works at some locations only, and may there what their role there may; at others nothing, by no way. */
final class StaffPlacesTest extends FeatureCase
{
    private int $here;

    private int $there;

    private int $tillThere;

    protected function setUp(): void
    {
        parent::setUp();
        $this->here = Till::query()->findOrFail(1)->location_id;
        $till = Till::query()->where('location_id', '<>', $this->here)->firstOrFail();
        [$this->there, $this->tillThere] = [$till->location_id, $till->id];
    }

    public function test_they_sign_in_where_they_work_and_nowhere_else(): void
    {
        $this->places('201', [$this->there => 'supervisor'])->assertSessionHas('done');
        $this->signOut();
        $name = Location::query()->findOrFail($this->there)->name;
        $this->signsIn('201', 1)->assertSessionHasErrors([
            'refused' => "Super Slate works at {$name}. Sign in at a till there.",
        ]);
        $this->assertGuest();
        self::assertSame('does not work at this location', DB::table('security_log')->latest('id')->value('about'));
        // A wrong PIN is told nothing of that.
        $this->post('/sign-in', ['till' => '1', 'number' => '201', 'pin' => '9999'])->assertSessionHasErrors();
        self::assertStringNotContainsString($name, (string) session('errors')->first());
        $this->signsIn('201', $this->tillThere)->assertSessionHasNoErrors();
        $this->assertAuthenticated();
    }

    public function test_what_they_are_signed_in_with_elsewhere_is_over_at_once(): void
    {
        $by = Staff::query()->where('number', '201')->firstOrFail();
        $this->as('201')->get('/customers')->assertOk();
        $this->places('201', [$this->there => 'supervisor']);
        $this->as('201')->get('/customers')->assertRedirect('/sign-in');
        // Whatever a session says of when it began: the till it stands at is not theirs.
        $this->as('201')->withSession(['till' => 1, 'epoch' => $by->refresh()->epoch])
            ->get('/customers')->assertRedirect('/sign-in');
        $this->in('201', $this->tillThere)->get('/customers')->assertOk();
        $this->places('201', []);
        $this->in('201', 1)->get('/customers')->assertOk();
    }

    public function test_they_may_at_a_place_what_their_role_there_may(): void
    {
        $this->places('301', [$this->here => 'clerk', $this->there => 'supervisor']);
        $may = fn (int $till, Ability $ability): bool => $this->mayAt($till, $ability);
        self::assertFalse($may(1, Ability::Approve));
        self::assertTrue($may($this->tillThere, Ability::Approve));
        self::assertFalse($may($this->tillThere, Ability::EditPrices));
        $this->in('301', 1)->get('/statements')->assertForbidden();
        // Before that, as everywhere.
        $this->places('301', []);
        self::assertTrue($may(1, Ability::EditPrices));
    }

    /** By their PIN at another’s till they are worth no more than they are there. */
    public function test_they_approve_only_where_they_may(): void
    {
        $this->places('201', [$this->there => 'supervisor']);
        $this->as('101')->add('LH-1140');
        $this->approves('201')->assertSee('may not approve this');
        self::assertSame(0, $this->rows('approvals'));
        // A clerk who is a supervisor here.
        $this->places('201', [$this->here => 'supervisor']);
        $this->as('101');
        $this->approves('201')->assertOk();
        self::assertSame(1, $this->rows('approvals'));
    }

    public function test_they_see_and_do_nothing_at_another_place_whatever_is_asked(): void
    {
        $sold = $this->as('101')->sell('LH-1140');
        $this->as('301', $this->tillThere)->get("/documents/{$sold->label}")->assertOk();
        $this->places('301', [$this->there => 'office']);
        $this->in('301', $this->tillThere)->get("/documents/{$sold->label}")->assertForbidden();
        $this->get('/documents')->assertDontSee($sold->label);

        foreach (['location', 'place'] as $field) {
            $this->post('/calendar/close', [$field => (string) $this->here])->assertForbidden();
            $this->get("/calendar?{$field}={$this->here}")->assertForbidden();
        }
    }

    public function test_only_who_manages_staff_sets_it_and_the_owner_is_owner_everywhere(): void
    {
        $by = Staff::query()->where('number', '201')->firstOrFail();
        $this->as('201')->post("/staff/{$by->id}/places", ['at' => [$this->here => 'office']])->assertForbidden();
        $this->places('901', [$this->here => 'office'])->assertSessionHasErrors('refused');
        $this->places('201', [$this->here => 'owner'])->assertSessionHasErrors('refused');
        $this->places('201', [999 => 'clerk'])->assertSessionHasErrors('refused');
        self::assertSame(0, $this->rows('staff_places'));
        $this->places('201', [$this->here => 'office']);
        $this->as('901')->get('/staff')->assertSee('one location')->assertSee('every location');
        self::assertStringContainsString('now Office at', (string) DB::table('security_log')
            ->where('about', 'like', '%now Office at%')->latest('id')->value('about'));
        $this->get("/staff/{$by->id}/places")->assertOk()->assertSee('Works there as');
        self::assertSame(Role::Supervisor, $by->refresh()->role);
    }

    /** Whoever becomes an owner is one everywhere: else the last who could do everything might be shut out. */
    public function test_a_person_with_places_who_becomes_an_owner_is_owner_everywhere(): void
    {
        $this->places('201', [$this->there => 'clerk']);
        $person = Staff::query()->where('number', '201')->firstOrFail();
        $this->as('901')->post("/staff/{$person->id}", [
            'number' => '201', 'name' => 'Super Slate', 'role' => 'owner', 'active' => '1',
        ])->assertSessionHasNoErrors();
        $this->in('201', 1)->get('/staff')->assertOk();
    }

    public function test_what_is_of_another_place_is_closed_whatever_it_is(): void
    {
        Route::middleware(['web', 'auth', 'till', 'in-sight'])
            ->get('/of-a-place/{drawer}', static fn (TillSession $drawer): string => (string) $drawer->id);
        $drawer = TillSession::query()->where('till_id', 1)->firstOrFail()->id;
        $this->as('201', $this->tillThere)->get("/of-a-place/{$drawer}")->assertOk();
        $this->places('201', [$this->there => 'supervisor']);
        $this->in('201', $this->tillThere)->get("/of-a-place/{$drawer}")->assertForbidden();
    }

    /**
     * @param  array<int, string>  $places
     * @return TestResponse<Response>
     */
    private function places(string $number, array $places): TestResponse
    {
        $id = Staff::query()->where('number', $number)->firstOrFail()->id;
        $kept = $this->as('901')->post("/staff/{$id}/places", ['at' => $places]);
        app(Settings::class)->forget();

        return $kept;
    }

    private function mayAt(int $till, Ability $ability): bool
    {
        session(['till' => $till]);

        return Staff::query()->where('number', '301')->firstOrFail()->mayDo($ability);
    }

    /** @return TestResponse<Response> */
    private function approves(string $number): TestResponse
    {
        return $this->does("lines/{$this->lineId()}", [
            'price' => '3.00', 'approver' => $number, 'approver_pin' => "4{$number}",
            'approver_reason' => 'chipped',
        ]);
    }

    private function in(string $number, int $till): static
    {
        $this->signOut();
        $this->signsIn($number, $till)->assertSessionHasNoErrors();

        return $this;
    }

    private function signOut(): void
    {
        $this->post('/sign-out');
    }

    /** @return TestResponse<Response> */
    private function signsIn(string $number, int $till): TestResponse
    {
        return $this->post('/sign-in', ['till' => (string) $till, 'number' => $number, 'pin' => "4{$number}"]);
    }
}
