<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Setup\Sections;
use Elmstone\Shop\Location;
use Elmstone\Shop\SettingChange;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Rights;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;

/** All that can be set, by those who may, with every change on record. */
final class SettingPagesTest extends FeatureCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->as('901');
    }

    /** @return iterable<string, array{string}> */
    public static function sections(): iterable
    {
        $keys = ['shop', 'papers', 'places', 'tills', 'taxes', 'departments', 'terms', 'numbers', 'mail', 'reasons',
            'retention',
        ];

        foreach ($keys as $key) {
            yield $key => [$key];
        }
    }

    #[DataProvider('sections')]
    public function test_a_page_kept_as_it_stands_changes_nothing(string $key): void
    {
        $now = app(Sections::class)->pages()[$key]->now();
        $this->get("/settings/{$key}")->assertOk();
        $this->kept($key, $now);
        self::assertSame(0, SettingChange::query()->count());
        self::assertEquals($now, app(Sections::class)->pages()[$key]->now());
    }

    public function test_every_change_stands_there_with_what_it_was_and_cannot_be_changed(): void
    {
        $terms = app(Sections::class)->pages()['terms']->now();
        $this->kept('terms', [...$terms, 'returned_payment_fee' => '17.50', 'bad_debt_tax' => '1']);
        $change = SettingChange::query()->where('what', 'Fee of a payment that comes back')->firstOrFail();
        self::assertSame(['Terms and tolerances', '17.50'], [$change->area, $change->new]);
        self::assertSame($this->staff('901')->id, $change->staff_id);
        self::assertSame(2, SettingChange::query()->count());
        $this->get('/settings/changes')->assertOk()->assertSee('17.50');
        self::assertStringContainsString('17.50', $this->get('/settings/changes.csv')->streamedContent());

        foreach (['UPDATE setting_changes SET old = "x"', 'DELETE FROM setting_changes'] as $sql) {
            self::assertStringContainsString('Posted is posted', $this->refusal($sql));
        }
    }

    public function test_what_cannot_be_kept_stands_beside_its_field_and_stays_typed(): void
    {
        $this->followingRedirects()
            ->from('/settings/terms')
            ->post('/settings/terms', ['largest_amount' => 'much', 'returned_payment_fee' => '-2'])
            ->assertSee('much')
            ->assertSee('value="-2"', false)
            ->assertSee('is-refused');
        self::assertSame(0, SettingChange::query()->count());
    }

    public function test_a_rate_changes_on_its_day_and_days_before_keep_theirs(): void
    {
        $before = $this->sell('LH-1140');
        $this->change('9', ShopTime::today()->subDay()->format('Y-m-d'))->assertSessionHasErrors();
        $this->change('nine', ShopTime::today()->format('Y-m-d'))->assertSessionHasErrors();
        $this->change('9', ShopTime::today()->addDay()->format('Y-m-d'))->assertSessionHasNoErrors();
        self::assertSame('10', $this->rateOf($this->sell('LH-1140')->id));
        $this->travel(1)->days();
        self::assertSame('9', $this->rateOf($this->sell('LH-1140')->id));
        // What is dated back into an open day has the tax of that day.
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');
        $this->does('date', ['date' => ShopTime::today()->subDay()->format('Y-m-d')])->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        self::assertSame('10', $this->rateOf($this->document()->id));
        self::assertSame('10', $this->rateOf($before->id));
    }

    public function test_a_tax_ends_and_another_begins_on_a_day(): void
    {
        $this->change('none', ShopTime::today()->addDay()->format('Y-m-d'))->assertSessionHasNoErrors();
        $taxes = app(Sections::class)->pages()['taxes']->now();
        $taxes['profiles'][0]['components'][] = ['name' => 'Town tax', 'rate' => '2', 'classes' => ['standard']];
        $this->kept('taxes', $taxes, false)->assertSessionHasErrors();
        $last = array_key_last($taxes['profiles'][0]['components']);
        $taxes['profiles'][0]['components'][$last]['changes'] = [
            ['from' => ShopTime::today()->addDay()->format('Y-m-d')],
        ];
        $this->kept('taxes', $taxes);
        self::assertSame('10', $this->rateOf($this->sell('LH-1140')->id));
        $this->travel(1)->days();
        self::assertSame('2', $this->rateOf($this->sell('LH-1140')->id));
        $this->assertProves();
    }

    public function test_a_planned_rate_can_be_let_go_while_its_day_has_not_come(): void
    {
        $this->change('9', ShopTime::today()->addDays(3)->format('Y-m-d'));
        $taxes = app(Sections::class)->pages()['taxes']->now();
        $taxes['profiles'][0]['components'][0]['changes'][0]['remove'] = '1';
        $this->kept('taxes', $taxes);
        self::assertSame(0, DB::table('tax_rates')->count());
    }

    public function test_the_currency_and_numbers_given_out_stay(): void
    {
        $this->sell('LH-1140');
        $shop = app(Sections::class)->pages()['shop']->now();
        $this->kept('shop', [...$shop, 'currency' => 'EUR'], false)->assertSessionHasErrors('currency');
        $numbers = app(Sections::class)->pages()['numbers']->now();
        $this->kept('numbers', [...$numbers, 'invoice' => '9000'], false)->assertSessionHasErrors('invoice');
        $this->kept('numbers', [...$numbers, 'credit_note' => '700']);
        self::assertSame('USD', Shop::query()->value('currency'));
        self::assertStringContainsString(
            'keeps the number it began with',
            $this->refusal("UPDATE series SET first_number = 3 WHERE kind = 'invoice'"),
        );
        $this->assertProves();
    }

    public function test_a_till_that_was_used_stays_at_its_place(): void
    {
        $this->sell('LH-1140');
        $tills = app(Sections::class)->pages()['tills']->now();
        $other = Location::query()->where('id', '<>', Till::query()->findOrFail(1)->location_id)->value('code');
        $tills['tills'][0]['place'] = $other;
        $this->kept('tills', $tills, false)->assertSessionHasErrors('tills.0.place');
    }

    public function test_a_logo_is_a_picture_by_what_is_in_it(): void
    {
        $papers = app(Sections::class)->pages()['papers']->now();
        $script = UploadedFile::fake()->createWithContent('logo.png', '<svg onload="alert(1)"></svg>');
        $this->kept('papers', [...$papers, 'logo' => $script], false)->assertSessionHasErrors('logo');
        $this->kept('papers', [...$papers, 'logo' => UploadedFile::fake()->image('logo.png', 3000, 10)], false)
            ->assertSessionHasErrors('logo');
        $this->kept('papers', [...$papers, 'logo' => UploadedFile::fake()->image('logo.png', 200, 80)]);
        self::assertStringStartsWith('data:image/png;base64,', (string) Shop::query()->value('logo'));
        $paper = $this->sell('LH-1140');
        $this->get("/documents/{$paper->label}/receipt")->assertSee('data:image/png;base64,', false);
        $this->kept('papers', [...$papers, 'no_logo' => '1']);
        self::assertNull(Shop::query()->value('logo'));
    }

    public function test_rights_are_set_by_role_and_hold_at_once(): void
    {
        $this->as('201')->get('/accounts')->assertOk();
        $this->rights(Role::Supervisor, without: Ability::SeeAgeing);
        $this->as('201')->get('/accounts')->assertForbidden();
        $this->as('101')->get('/ledger')->assertForbidden();
        $this->rights(Role::Clerk, with: Ability::SeeLedger);
        $this->as('101')->get('/ledger')->assertOk();
        self::assertSame(
            ['Rights of Supervisor: may not', 'Rights of Clerk: may'],
            SettingChange::query()->orderBy('id')->get()
                ->map(static fn (SettingChange $change): string => "{$change->area}: {$change->new}")->all(),
        );
        $this->rights(Role::Clerk, without: Ability::SeeLedger);
        self::assertSame(1, DB::table('role_rights')->count());
    }

    public function test_nobody_but_the_owner_says_what_others_may_and_nobody_gives_that_away(): void
    {
        $this->as('301')->post('/rights', ['may' => ['office' => ['manage-staff', 'set-house']]])->assertForbidden();
        $this->as('901')->post('/rights', ['may' => [
            'office' => ['manage-staff', 'sell'], 'owner' => [], 'supervisor' => ['manage-staff'],
        ]])->assertRedirect();
        $rights = app(Rights::class);
        self::assertFalse($rights->may(Role::Office, Ability::ManageStaff));
        self::assertTrue($rights->may(Role::Owner, Ability::ManageStaff));
        DB::table('role_rights')->insert(['role' => 'clerk', 'ability' => 'manage-staff', 'may' => true]);
        DB::table('role_rights')->insert(['role' => 'owner', 'ability' => 'manage-staff', 'may' => false]);
        app(Settings::class)->forget();
        $this->as('101')->get('/staff')->assertForbidden();
        $this->as('901')->get('/staff')->assertOk();
    }

    public function test_takings_ask_on_their_own_who_may_date_back_and_go_below_the_lowest_price(): void
    {
        DB::table('items')->where('code', 'LH-1140')->update(['floor_price' => '3']);
        $row = static fn (string $date, string $price): array => ['rows' => [[
            'date' => $date, 'item' => 'LH-1140', 'quantity' => '1', 'price' => $price, 'tax' => 'without',
            'tender' => 'cash',
        ]]];
        [$today, $yesterday] = [ShopTime::today()->format('Y-m-d'), ShopTime::today()->subDay()->format('Y-m-d')];
        $this->as('201')->post('/takings/check', $row($yesterday, '12'))->assertSee('Nothing is posted yet');
        $this->rights(Role::Supervisor, without: Ability::Backdate);
        $this->as('201')->post('/takings/check', $row($yesterday, '12'))->assertSee('may not date sales back');
        $this->rights(Role::Supervisor, without: Ability::Approve);
        $this->as('201')->post('/takings/check', $row($today, '1'))->assertSee('below the lowest price');
    }

    public function test_only_who_may_sees_settings(): void
    {
        foreach (['101', '201', '301'] as $number) {
            $this->as($number)->get('/settings/shop')->assertForbidden();
            $this->as($number)->post('/settings/shop', ['name' => 'Mine'])->assertForbidden();
            $this->as($number)->get('/settings/changes')->assertForbidden();
            $this->as($number)->get('/rights')->assertForbidden();
        }

        $this->as('301')->get('/settings')->assertOk()->assertDontSee('/settings/shop');
        $this->as('901')->get('/settings')->assertOk()->assertSee('/settings/shop')->assertSee('Return rules');
        $this->get('/settings/nothing')->assertNotFound();
    }

    public function test_how_long_things_are_kept_is_the_shops_to_set(): void
    {
        $this->kept('retention', [...app(Sections::class)->pages()['retention']->now(), 'sent_mails' => '7']);
        DB::table('sent_mails')->insert([
            ['recipient' => 'a@example.org', 'subject' => 'old', 'body' => '', 'sent_at' => now()->subDays(8)],
            ['recipient' => 'a@example.org', 'subject' => 'new', 'body' => '', 'sent_at' => now()->subDays(6)],
        ]);
        $this->artisan('house:tidy');
        self::assertSame(['new'], DB::table('sent_mails')->pluck('subject')->all());
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<Response>
     */
    private function kept(string $section, array $fields, bool $isFine = true): TestResponse
    {
        $answer = $this->from("/settings/{$section}")->post("/settings/{$section}", $fields);
        $isFine && $answer->assertSessionHasNoErrors()->assertRedirect("/settings/{$section}");
        app(Settings::class)->forget();

        return $answer;
    }

    /** @return TestResponse<Response> the first tax becomes something on a day */
    private function change(string $rate, string $from): TestResponse
    {
        $taxes = app(Sections::class)->pages()['taxes']->now();
        $taxes['profiles'][0]['components'][0]['changes'] = [['rate' => $rate, 'from' => $from]];

        return $this->kept('taxes', $taxes, false);
    }

    private function rateOf(int $document): string
    {
        $rates = DB::table('document_taxes')->where('document_id', $document)->pluck('rate')->all();

        return implode(', ', array_map(static fn (mixed $rate): string => (string) (float) $rate, $rates));
    }

    private function rights(Role $role, ?Ability $with = null, ?Ability $without = null): void
    {
        $rights = app(Rights::class);
        $may = [];

        foreach (Role::cases() as $one) {
            $may[$one->value] = array_values(array_map(
                static fn (Ability $ability): string => $ability->value,
                array_filter(Ability::cases(), static fn (Ability $ability): bool => $one !== $role
                    ? $rights->may($one, $ability)
                    : $ability === $with || ($ability !== $without && $rights->may($one, $ability))),
            ));
        }

        $this->as('901')->post('/rights', ['may' => $may])->assertRedirect('/rights');
        app(Settings::class)->forget();
    }

    private function staff(string $number): Staff
    {
        return Staff::query()->where('number', $number)->firstOrFail();
    }

    private function refusal(string $sql): string
    {
        try {
            DB::statement($sql);
        } catch (QueryException $failure) {
            return $failure->getMessage();
        }

        return '';
    }
}
