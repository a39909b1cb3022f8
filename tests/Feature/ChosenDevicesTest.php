<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Devices\Simulated\DeviceState;
use Elmstone\Devices\Simulated\SimulatedDisplay;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** A terminal, printer, drawer and display for each person and till, changed in one step when one fails. */
final class ChosenDevicesTest extends FeatureCase
{
    private static function till(int $number): Till
    {
        return app(Settings::class)->till($number);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function choose(string $kind, int $uses, bool $forAll = false): TestResponse
    {
        return $this->post('/till/devices', ['kind' => $kind, 'uses' => $uses, ...$forAll ? ['for_all' => '1'] : []]);
    }

    private function sold(): void
    {
        $this->add('LH-1140');
        $this->does('cash', ['cash' => '5'])->assertOk();
        $this->does('post')->assertOk();
    }

    private function card(): CardRequest
    {
        return $this->slip()->cards->last() ?? throw new \LogicException('No card was asked.');
    }

    public function test_paper_drawer_and_display_are_those_that_were_chosen(): void
    {
        foreach (['printer', 'drawer', 'display'] as $kind) {
            $this->choose($kind, 2)->assertSessionHasNoErrors();
        }

        $this->get("/counter/{$this->slip}")->assertSee('printer of')->assertSee('Till 2');
        $this->sold();
        self::assertSame([2], DB::table('printed_papers')->pluck('till_id')->all());
        self::assertSame(1, DeviceState::read(self::till(2), 'drawer')['opened'] ?? null);
        self::assertSame([], DeviceState::read(self::till(1), 'drawer'));
        self::assertTrue(SimulatedDisplay::showing(self::till(2))->thanks);
    }

    public function test_it_is_remembered_for_the_person_and_nobody_else(): void
    {
        $this->choose('printer', 2)->assertSessionHasNoErrors();
        $this->as('201')->sold();
        self::assertSame([1], DB::table('printed_papers')->pluck('till_id')->all());
        $this->choose('printer', 2, forAll: true)->assertSessionHasNoErrors();
        $this->as('301');
        $this->slip = (string) Str::uuid();
        $this->sold();
        self::assertSame([1, 2], DB::table('printed_papers')->orderBy('id')->pluck('till_id')->all());
        // A clerk chooses for themselves only.
        $this->as('101')->choose('drawer', 2, forAll: true);
        self::assertSame(1, DB::table('device_choices')->where('kind', 'drawer')->where('staff_id', '>', 0)->count());
    }

    public function test_a_terminal_that_fails_is_changed_in_one_step(): void
    {
        $this->terminal('off_line');
        $this->add('LH-1140');
        $this->does('card')->assertOk()->assertSee('Use the terminal')->assertSee('Till 2');
        $this->does("card/{$this->card()->id}/give-back")->assertOk();
        $this->does('device', ['kind' => 'terminal', 'uses' => '2'])->assertOk()->assertSee('ask terminal 2');
        $this->does('card')->assertOk()->assertSee('4.24 approved');
        self::assertSame(2, DB::table('terminal_requests')->value('terminal_id'));
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_what_a_terminal_was_asked_is_asked_of_that_one_still(): void
    {
        $this->terminal('silent_approve');
        $this->add('LH-1140');
        $this->does('card')->assertOk();
        self::assertSame(CardState::Asked, $this->card()->state);
        $this->choose('terminal', 2)->assertSessionHasNoErrors();
        // Not again on the other: its outcome is not known.
        $this->does('card', ['another' => '1'])->assertStatus(422);
        $this->terminal('off_line');
        $this->does("card/{$this->card()->id}/ask")->assertOk();
        self::assertSame(CardState::Asked, $this->card()->state, 'the one that was asked is off line now');
        $this->terminal('approve');
        $this->does("card/{$this->card()->id}/ask")->assertOk()->assertSee('4.24 approved');
        self::assertSame(1, DB::table('terminal_requests')->count());
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_only_what_stands_at_this_place_can_be_chosen(): void
    {
        $this->choose('printer', 3)->assertSessionHasErrors('printer');
        $this->choose('printer', 99)->assertSessionHasErrors('printer');
        $this->choose('scale', 2)->assertNotFound();
        $this->does('device', ['kind' => 'terminal', 'uses' => '3'])->assertStatus(422);
        self::assertSame(0, $this->rows('device_choices'));
        $this->get('/till/devices')->assertOk()->assertSee('Card terminal');
    }
}
