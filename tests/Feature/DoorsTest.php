<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Shop\Location;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Elmstone\Staff\Doors\EasyPin;
use Elmstone\Staff\Staff;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/** Who comes in, for how long, what they see, and that it is written down. */
final class DoorsTest extends FeatureCase
{
    use Charges;

    protected function shop(): array
    {
        return ['idle_minutes' => 20];
    }

    private function signIn(string $number = '101'): void
    {
        Auth::logout();
        $this->flushSession();
        $this->post('/sign-in', ['number' => $number, 'pin' => "4{$number}", 'till' => '1'])->assertRedirect();
    }

    /** @return list<string> */
    private function logged(): array
    {
        return array_values(array_map(strval(...), DB::table('security_log')->orderBy('id')->pluck('what')->all()));
    }

    public function test_a_changed_pin_or_role_and_switching_off_end_sessions_at_once(): void
    {
        $clerk = $this->staff('101');

        foreach ([['pin' => '580213'], ['role' => 'supervisor'], ['active' => '0']] as $change) {
            $this->signIn();
            $this->get('/counter/new')->assertRedirect();
            $session = session()->all();
            $this->as('901')
                ->post("/staff/{$clerk->id}", [
                    'number' => '101',
                    'name' => 'Clerk',
                    'role' => 'clerk',
                    'active' => '1',
                    ...$change,
                ])
                ->assertSessionHasNoErrors();
            $this->actingAs($clerk->refresh())->withSession($session);
            $this->get('/counter/new')->assertRedirect('/sign-in');
            $clerk->update(['pin_hash' => bcrypt('4101'), 'role' => 'clerk', 'active' => true]);
        }

        $this->assertSame(3, $clerk->refresh()->epoch);
    }

    public function test_signing_out_at_every_till_ends_the_other_sessions(): void
    {
        $this->signIn();
        $other = session()->all();
        $this->signIn();
        $this->post('/sign-out/everywhere')->assertRedirect('/sign-in');
        $this->actingAs($this->staff('101'))->withSession($other)->get('/counter/new')->assertRedirect('/sign-in');
    }

    public function test_after_a_while_without_an_act_the_pin_is_asked_for_and_the_slip_stays(): void
    {
        $this->signIn();
        $this->add('LH-1140');
        $this->travel(19)->minutes();
        $this->get("/counter/{$this->slip}")->assertOk();
        $this->travel(21)->minutes();
        $this->does('add', ['entry' => 'LH-1140'])->assertStatus(423);
        $this->get("/counter/{$this->slip}")
            ->assertStatus(423)
            ->assertSee('type your PIN');
        $this->post('/unlock', ['pin' => '0000'], ['X-Requested-With' => 'fetch'])
            ->assertStatus(422)
            ->assertSee('do not belong together');
        $this->post('/unlock', ['pin' => '4101', 'next' => 'https://elsewhere.test/'])->assertRedirect('/counter');
        $this->get("/counter/{$this->slip}")
            ->assertOk()
            ->assertSee('LH-1140');
        $this->assertCount(1, $this->slip()->lines);
        Shop::query()->update(['idle_minutes' => 0]);
        app(\Elmstone\Shop\House::class)->shop()->refresh();
        $this->travel(10)->hours();
        $this->get("/counter/{$this->slip}")->assertOk();
    }

    public function test_the_customers_display_goes_on_though_nobody_acts_there(): void
    {
        $this->signIn();
        $this->travel(1)->hours();
        $this->get('/devices/display/1')->assertOk();
        $this->get('/counter/new')->assertStatus(423);
    }

    public function test_a_page_can_lock_itself(): void
    {
        $this->signIn();
        $this->post('/lock')->assertNoContent();
        $this->get('/counter/new')->assertStatus(423);
        $this->post('/unlock', ['pin' => '4101'], ['X-Requested-With' => 'fetch'])->assertNoContent();
        $this->get('/counter/new')->assertRedirect();
    }

    public function test_after_signing_in_again_one_lands_on_a_page_and_not_on_a_part_of_one(): void
    {
        Auth::logout();
        $this->flushSession();
        $this->get("/counter/{$this->slip}/find?text=x", ['X-Requested-With' => 'fetch'])->assertStatus(401);
        $this->assertNull(session('url.intended'));
        $this->get('/customers')->assertRedirect('/sign-in');
        $this->assertSame(url('/customers'), session('url.intended'));
    }

    public function test_a_wrong_pin_at_the_change_of_person_says_so_and_changes_nothing(): void
    {
        $this->signIn();
        $this->from("/counter/{$this->slip}")
            ->post('/change-person', ['number' => '201', 'pin' => '9999'])
            ->assertRedirect("/counter/{$this->slip}")
            ->assertSessionHas('change_refused');
        $this->assertSame($this->staff('101')->id, Auth::id());
        $this->get("/counter/{$this->slip}")->assertSee('still serves.');
    }

    /** @return iterable<string, array{string, bool}> */
    public static function pins(): iterable
    {
        yield 'one digit' => ['111111', true];
        yield 'in a row' => ['123456', true];
        yield 'in a row over nine' => ['789012', true];
        yield 'down' => ['987654', true];
        yield 'twice the same' => ['482482', true];
        yield 'two digits' => ['353535', true];
        yield 'the staff number' => ['101731', true];
        yield 'a good one' => ['580213', false];
        yield 'another good one' => ['90417263', false];
    }

    #[DataProvider('pins')]
    public function test_new_pins_are_not_easy(string $pin, bool $easy): void
    {
        $this->assertSame($easy, EasyPin::is($pin, '101'));
        $clerk = $this->staff('101');
        $answer = $this->as('901')->post("/staff/{$clerk->id}", [
            'number' => '101',
            'name' => 'Clerk',
            'role' => 'clerk',
            'active' => '1',
            'pin' => $pin,
        ]);
        $easy ? $answer->assertSessionHasErrors('pin') : $answer->assertSessionHasNoErrors();
        $this->post("/staff/{$clerk->id}", [
            'number' => '101',
            'name' => 'Clerk',
            'role' => 'clerk',
            'active' => '1',
            'pin' => '5802',
        ])->assertSessionHasErrors(['pin' => 'A new PIN has 6 to 8 digits.']);
    }

    public function test_the_security_log_keeps_who_came_who_was_refused_and_what_was_changed(): void
    {
        $this->signIn();
        $this->get('/staff')->assertForbidden();
        $this->post('/sign-out');
        $this->post('/sign-in', ['number' => '101', 'pin' => '1', 'till' => '1']);
        $clerk = $this->staff('101');
        $this->as('901')
            ->post("/staff/{$clerk->id}", [
                'number' => '101',
                'name' => 'Clerk',
                'role' => 'supervisor',
                'active' => '1',
                'pin' => '580213',
            ])
            ->assertSessionHasNoErrors();
        $this->post('/limits/clerk', ['cash_out' => ['per_document' => '1']]);
        $this->get('/documents.csv')->assertOk()->streamedContent();
        $this->assertSame(
            [
                'signed_in', 'refused', 'signed_out', 'wrong_pin', 'pin_changed', 'role_changed', 'limit_changed',
                'exported',
            ],
            $this->logged(),
        );
        $this->get('/security-log?what=refused')->assertOk()->assertSee('GET /staff');
        $this->get('/security-log.csv')->assertOk();
        $this->as('201')->get('/security-log')->assertForbidden();
        $this->expectExceptionMessage('Posted is posted');
        DB::table('security_log')->delete();
    }

    public function test_who_may_not_is_told_so_whether_there_is_such_a_thing_or_not(): void
    {
        $this->as('101');
        $checked = 0;

        $clerk = $this->staff('101');

        foreach (Route::getRoutes()->getRoutes() as $route) {
            $abilities = array_filter(
                $route->gatherMiddleware(),
                static fn (mixed $one): bool => is_string($one)
                    && str_starts_with($one, 'can:')
                    && ! $clerk->can(substr($one, 4)),
            );

            if ($abilities === [] || $route->parameterNames() === []) {
                continue;
            }

            $uri = '/'.preg_replace(['/\{slip\}/', '/\{(\w+)[^}]*\}/'], [$this->slip, '999999'], $route->uri());
            $method = in_array('POST', $route->methods(), true) ? 'POST' : 'GET';

            // Of an address that is no such thing's at all, nothing is told either way.
            if (! $route->matches(Request::create($uri, $method))) {
                continue;
            }

            $this->assertSame(403, $this->call($method, $uri)->getStatusCode(), $uri);
            $checked++;
        }

        $this->assertGreaterThan(20, $checked);
    }

    public function test_a_clerk_sees_and_does_what_the_counter_needs(): void
    {
        $customer = $this->account();
        $note = $customer
            ->notes()
            ->create(['staff_id' => $this->staff('301')->id, 'text' => 'Cheque bounced', 'at_counter' => true]);
        $this->as('101')->get('/accounts')->assertForbidden();
        $this->get('/accounts/ageing.csv')->assertForbidden();
        $this->get("/accounts/{$customer->number}")->assertOk();
        $this->post("/customers/{$customer->number}/notes/{$note->id}/gone")->assertForbidden();
        $this->get('/devices/mails/1/attachment')->assertForbidden();
        $this->get('/devices')->assertOk()->assertDontSee('Mailbox');
        $this->assertNull($note->refresh()->gone_at);
        $this->as('201')
            ->post("/customers/{$customer->number}/notes/{$note->id}/gone")
            ->assertRedirect();
        $this->assertNotNull($note->refresh()->gone_at);
    }

    public function test_a_clerk_mails_what_is_of_today_and_of_here_or_to_an_address_on_file(): void
    {
        $customer = $this->customer('Wren Hollis', ['mail' => 'wren@example.test']);
        $this->as('101');
        $today = $this->sell('LH-1140');
        $this->post("/documents/{$today->label}/mail", ['mail_to' => 'any@example.test'])->assertSessionHasNoErrors();
        $this->travel(2)->days();
        $this->as('101');
        $this->post("/documents/{$today->label}/mail", ['mail_to' => 'any@example.test'])->assertSessionHasErrors(
            'refused',
        );
        $this->slip = (string) \Illuminate\Support\Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->add('LH-1140');
        $this->does('cash', ['cash' => '500']);
        $this->does('post')->assertOk();
        $theirs = $this->document();
        $this->travel(2)->days();
        $this->as('101');
        $this->post("/documents/{$theirs->label}/mail", ['mail_to' => 'any@example.test'])->assertSessionHasErrors(
            'refused',
        );
        $this->post("/documents/{$theirs->label}/mail", ['mail_to' => 'wren@example.test'])->assertSessionHasNoErrors();
        $this->as('201')
            ->post("/documents/{$theirs->label}/mail", ['mail_to' => 'any@example.test'])
            ->assertSessionHasNoErrors();
    }

    public function test_other_locations_are_seen_as_the_owner_sets_it(): void
    {
        $here = $this->sell('LH-1140');
        $away = Till::query()
            ->where('location_id', '<>', Till::query()->findOrFail(1)->location_id)
            ->first()
            ?? Till::query()->create([
                'location_id' => Location::query()->create([
                    ...Location::query()
                        ->firstOrFail()
                        ->only(['tax_profile_id']),
                    'code' => 'B',
                    'name' => 'Away',
                    'street' => 'x',
                    'town' => 'y',
                    'phone' => '',
                    'closed_through' => '2000-01-01',
                ])->id,
                'number' => 9,
                'name' => 'Till 9',
            ]);
        $this->as('101', $away->id)
            ->get("/documents/{$here->label}")
            ->assertOk();
        $this->as('901')
            ->post('/staff/settings', ['idle_minutes' => '20'])
            ->assertSessionHasNoErrors();
        $this->as('101', $away->id)
            ->get("/documents/{$here->label}")
            ->assertForbidden();
        $this->get("/documents/{$here->label}/receipt")->assertForbidden();
        $this->get("/counter/{$this->slip}")->assertForbidden();
        $this->get('/documents')->assertOk()->assertDontSee($here->label);
        $this->as('201', $away->id)
            ->get("/documents/{$here->label}")
            ->assertOk();
        // Nor is what was sold there found to bring it back, or taken back by who asks for it without finding it.
        $sold = $here->lines->sole();
        $this->slip = (string) Str::uuid();
        $find = fn (): TestResponse => $this->get("/counter/{$this->slip}/back/find?q={$here->label}")->assertOk();
        $back = [
            'back' => ["{$here->id}:{$sold->position}" => '1'],
            'reason' => 'not_needed',
            'goods_to' => 'stock',
            'found_by' => $here->label,
        ];
        $this->as('101', $away->id);
        $find()->assertDontSee($sold->description);
        $this->does('back', $back)->assertStatus(422)->assertSee('of a sale’s invoice only');
        $this->as('201', $away->id);
        $find()->assertSee($sold->description);
        $this->does('back', $back)->assertOk();
    }

    public function test_only_known_hosts_are_answered(): void
    {
        $this->get('http://evil.test/sign-in')->assertStatus(400);
        config(['house.hosts' => ['shop.test']]);
        $this->get('http://shop.test/up')->assertOk();
    }

    public function test_stand_ins_are_there_only_where_they_are_played(): void
    {
        config(['house.stand_ins' => false]);
        $this->as('901')->get('/devices')->assertNotFound();
        $this->post('/devices/terminal', ['mood' => 'approve'])->assertNotFound();
        $this->assertInstanceOf(Staff::class, Auth::user());
    }

    public function test_every_scan_of_a_certificate_is_kept(): void
    {
        $customer = $this->customer();

        foreach (['one', 'two'] as $bytes) {
            DB::table('certificate_scans')->insert([
                'customer_id' => $customer->id,
                'name' => $bytes,
                'mime' => 'image/png',
                'bytes' => $bytes,
            ]);
        }

        $first = (int) DB::table('certificate_scans')->min('id');
        $this->assertSame(
            'two',
            $this->as('301')
                ->get("/customers/{$customer->number}/scan")
                ->assertOk()
                ->getContent(),
        );
        $this->assertSame(
            'one',
            $this->get("/customers/{$customer->number}/scan/{$first}")
                ->assertOk()
                ->getContent(),
        );
    }
}
