<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Layaways\AgreedTerms;
use Elmstone\Layaways\AgreementWords;
use Elmstone\Layaways\HouseTerms;
use Elmstone\Layaways\PortionText;
use Elmstone\Plans\PlanTerms;
use Elmstone\Reminders\ReminderDays;
use Elmstone\Shop\House;
use Elmstone\Shop\Settings;
use PHPUnit\Framework\Attributes\DataProvider;

/** What the shop proposes, how it is typed, and how it is said. */
final class HouseTermsTest extends FeatureCase
{
    use Layaways;

    private const TYPED = [
        'min_deposit' => '20 %',
        'min_payment' => '25',
        'cancellation_fee' => '5 % 7.50',
        'service_fee' => '4',
        'days' => '60',
        'grace_days' => '3',
        'rhythm' => 'week',
        'fee_tax_class' => 'standard',
        'plan_charge' => '12.00',
        'plan_count' => '4',
        'plan_rhythm' => 'fortnight',
        'plan_tax_class' => '',
        'remind_plan' => '-5, 0, +2',
        'remind_layaway' => '3 -3',
        'remind_expiry' => '',
    ];

    private function house(): House
    {
        app(Settings::class)->forget();

        return app(House::class);
    }

    public function test_the_office_sets_them_and_the_next_agreement_has_them(): void
    {
        $this->as('301')->get('/layaways/terms')->assertOk()->assertSee('10 % 10.00');
        $this->post('/layaways/terms', self::TYPED)->assertSessionHasNoErrors();
        $this->get('/layaways/terms')->assertOk()->assertSee('5 % 7.50')->assertSee('-5, 0, +2');
        $terms = HouseTerms::of($this->house());

        $this->assertSame(
            [400, 60, 3, Rhythm::Week],
            [$terms->serviceFee->minor, $terms->days, $terms->graceDays, $terms->rhythm],
        );
        $this->assertSame(
            [[-5, 0, 2], [-3, 3], []],
            [
                ReminderDays::of($this->house())->plan,
                ReminderDays::of($this->house())->layaway,
                ReminderDays::of($this->house())->expiry,
            ],
        );
        $this->assertSame(
            [null, 1200, 4],
            [
                PlanTerms::of($this->house())->percent,
                PlanTerms::of($this->house())->amount?->minor,
                PlanTerms::of($this->house())->count,
            ],
        );
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $layaway = $this->as('101')->hold('', 'MA-0031');
        // 94.00 and a fee of 4.00, both taxed; a fifth of it is the deposit.
        $this->assertSame([10780, 2156, 3], [$layaway->total->minor, $layaway->held()->minor, $layaway->grace_days]);
        $this->assertProves();
    }

    /** @return iterable<string, array{string, string, string}> field, what is typed, what is said */
    public static function wrong(): iterable
    {
        yield 'a percentage above everything' => ['min_deposit', '101 %', '100'];
        yield 'words' => ['min_payment', 'a tenth', 'write a percentage, an amount, or both'];
        yield 'a fee below nothing' => ['service_fee', '-4', 'complaint'];
        yield 'no days' => ['days', '0', 'between 1 and 1825'];
        yield 'grace in words' => ['grace_days', 'a week', 'between 0 and 365'];
        yield 'no parts' => ['plan_count', '0', 'between 1 and 120'];
        yield 'reminders on some day' => ['remind_plan', 'monday', 'days around the due date'];
        yield 'more places than the money has' => ['cancellation_fee', '1.234', 'decimal places'];
    }

    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_said_beside_its_field_and_nothing_is_kept(
        string $field,
        string $typed,
        string $words,
    ): void {
        $this->as('301')
            ->from('/layaways/terms')
            ->post('/layaways/terms', [...self::TYPED, $field => $typed])
            ->assertSessionHasErrors($field);
        $this->followingRedirects()
            ->from('/layaways/terms')
            ->post('/layaways/terms', [...self::TYPED, $field => $typed])
            ->assertSee($words)
            ->assertSee($typed);
        $this->assertNull($this->house()->shop()->layaway_terms);
    }

    public function test_a_clerk_does_not_see_or_set_them(): void
    {
        $this->get('/layaways/terms')->assertForbidden();
        $this->post('/layaways/terms', self::TYPED)->assertForbidden();
        $this->get('/layaways')->assertOk()->assertDontSee('/layaways/terms');
    }

    /**
     * @return iterable<string, array{string, string|null, int|null, string}> typed, percent, minor units, as it is
     *     written again
     */
    public static function portions(): iterable
    {
        yield 'a percentage' => ['10 %', '10', null, '10 %'];
        yield 'without a blank' => ['7.5%', '7.5', null, '7.5 %'];
        yield 'an amount' => ['15', null, 1500, '15.00'];
        yield 'with a comma' => ['15,50', null, 1550, '15.50'];
        yield 'both' => ['10 % 15.00', '10', 1500, '10 % 15.00'];
        yield 'both, parted' => ['10 %, 15.00', '10', 1500, '10 % 15.00'];
        yield 'nothing' => ['', null, null, ''];
    }

    #[DataProvider('portions')]
    public function test_portions_are_read_and_written(
        string $typed,
        ?string $percent,
        ?int $amount,
        string $written,
    ): void {
        $money = $amount === null ? null : Money::ofMinor($amount, Currency::of('USD'));
        $this->assertSame(['percent' => $percent, 'amount' => $amount], PortionText::read($typed, app(House::class)));
        $this->assertSame($written, PortionText::write($percent, $money));
    }

    public function test_what_is_no_portion_is_refused(): void
    {
        foreach (['ten', '1000000.01', '10 % of it', '-5', '10 % -5', '%', '1.2.3'] as $typed) {
            try {
                PortionText::read($typed, app(House::class));
                $this->fail("“{$typed}” was taken.");
            } catch (Refused $refused) {
                $this->assertNotSame('', $refused->getMessage());
            }
        }
    }

    public function test_the_agreement_says_what_was_agreed_whatever_it_is(): void
    {
        $words = fn (array $portions, string $deposit = '50.00', int $count = 4, int $grace = 7): string => implode(
            ' ',
            AgreementWords::of(
                self::usd('206.80'),
                self::usd($deposit),
                new AgreedTerms($portions),
                Rhythm::Month,
                $count,
                CarbonImmutable::parse('2027-01-31'),
                CarbonImmutable::parse('2027-05-31'),
                $grace,
            ),
        );
        $both = ['percent' => '10', 'amount' => 500];

        $this->assertStringContainsString(
            'at least 10 % of what remains or 5.00, whichever is more',
            $words(['min_payment' => $both]),
        );
        $this->assertStringContainsString(
            'at least 10 % of what remains. More',
            $words(['min_payment' => ['percent' => '10', 'amount' => null]]),
        );
        $this->assertStringContainsString(
            'at least 5.00. More',
            $words(['min_payment' => ['percent' => null, 'amount' => 500]]),
        );
        $this->assertStringContainsString('may be of any amount', $words([]));
        $this->assertStringContainsString('goes back to you in full', $words([]));
        $this->assertStringContainsString('less 20.68 for the trouble', $words(['cancellation_fee' => $both]));
        $this->assertStringContainsString('156.80 in 4 payments, every month from 31 Jan 2027', $words([]));
        $this->assertStringContainsString('in one payment by 31 Jan 2027', $words([], count: 1));
        $this->assertStringContainsString('paid in full', $words([], '206.80'));
        $this->assertStringNotContainsString('0 days of grace', $words([], grace: 0));
    }

    private static function usd(string $amount): Money
    {
        return Money::of($amount, Currency::of('USD'));
    }
}
