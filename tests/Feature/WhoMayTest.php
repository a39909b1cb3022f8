<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Illuminate\Support\Facades\Auth;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * Who may see and do what with customers and accounts. Clerks serve; supervisors approve, post payments and stop; the
 * office and the owner do the rest.
 */
final class WhoMayTest extends FeatureCase
{
    use Accounts;

    private const ALL = ['101', '201', '301', '901'];

    private const FROM_SUPERVISOR = ['201', '301', '901'];

    private const OFFICE = ['301', '901'];

    /** @return iterable<string, array{string, string, list<string>}> method, path, who may */
    public static function doors(): iterable
    {
        foreach (
            [
                ['get', '/customers', self::ALL],
                ['get', '/customers/1001', self::ALL],
                ['get', '/customers/1001/change', self::ALL],
                ['get', '/customers/new', self::ALL],
                ['get', '/customers/types', self::OFFICE],
                ['get', '/tables/customers.csv', self::OFFICE],
                ['get', '/tables/customers', self::OFFICE],
                ['get', '/accounts', ['201', '301', '901']],
                ['get', '/accounts/1001', self::ALL],
                ['get', '/accounts/1001/statement', self::ALL],
                ['get', '/accounts/1001/account.csv', self::ALL],
                ['get', '/accounts/1001/payment', self::FROM_SUPERVISOR],
                ['get', '/accounts/cheques', self::FROM_SUPERVISOR],
                ['get', '/accounts/calls', self::FROM_SUPERVISOR],
                ['get', '/accounts/1001/terms', self::OFFICE],
                ['get', '/statements', self::OFFICE],
                ['get', '/finance-charges', self::OFFICE],
                ['get', '/letters', self::OFFICE],
                ['get', '/tables/open-items', self::OFFICE],
                ['get', '/bank', self::OFFICE],
                ['get', '/markdowns', self::OFFICE],
                ['post', '/markdowns', self::OFFICE],
                ['post', '/markdowns/steps', self::OFFICE],
                ['get', '/families', self::ALL],
                ['get', '/families/new', self::OFFICE],
                ['post', '/families', self::OFFICE],
                ['get', '/labels', self::ALL],
                ['get', '/owners', self::FROM_SUPERVISOR],
                ['post', '/owners', self::FROM_SUPERVISOR],
                ['post', '/attached/customer/1', self::FROM_SUPERVISOR],
                ['get', '/rewards', self::ALL],
                ['post', '/rewards/terms', self::OFFICE],
                ['post', '/customers/1001/cards', self::ALL],
                ['get', '/link-payments', self::FROM_SUPERVISOR],
                ['post', '/link-payments/terms', self::OFFICE],
                ['post', '/link-payments/void', self::OFFICE],
                ['get', '/till/devices', self::ALL],
                ['post', '/surcharges/signatures', self::OFFICE],
                ['get', '/takings', self::FROM_SUPERVISOR],
                ['post', '/takings', self::FROM_SUPERVISOR],
                ['post', '/takings/terms', self::OFFICE],
                ['get', '/surcharges', self::OFFICE],
                ['post', '/surcharges/1', self::OFFICE],
                ['post', '/accounts/1001/calls', self::FROM_SUPERVISOR],
                ['post', '/accounts/1001/stop', self::FROM_SUPERVISOR],
                ['post', '/accounts/1001/release', self::OFFICE],
                ['post', '/accounts/1001/terms', self::OFFICE],
                ['post', '/accounts/1001/merge', self::OFFICE],
                ['post', '/accounts/1001/payment', self::FROM_SUPERVISOR],
                ['post', '/finance-charges', self::OFFICE],
                ['post', '/finance-charges/settings', self::OFFICE],
                ['post', '/statements', self::OFFICE],
                ['post', '/bank', self::OFFICE],
                ['get', '/gift-cards', self::ALL],
                ['get', '/gift-cards.csv', self::ALL],
                ['get', '/store-credit', self::ALL],
                ['get', '/store-credit.csv', self::ALL],
                ['get', '/store-credit/1001', self::ALL],
                ['get', '/coupons', self::ALL],
                ['post', '/coupons', self::OFFICE],
                ['get', '/write-offs', self::FROM_SUPERVISOR],
                ['post', '/write-offs', self::FROM_SUPERVISOR],
                ['get', '/return-rules', self::OFFICE],
                ['post', '/return-rules', self::OFFICE],
                ['post', '/return-rules/settings', self::OFFICE],
                ['get', '/customers/1001/credit', self::FROM_SUPERVISOR],
                ['post', '/customers/1001/credit', self::FROM_SUPERVISOR],
                ['post', '/store-credit/1001/pay-out', self::FROM_SUPERVISOR],
                ['post', '/tables/customers', self::OFFICE],
                ['post', '/customers/levels', self::OFFICE],
            ] as [$method, $path, $who]
        ) {
            yield "{$method} {$path}" => [$method, $path, $who];
        }
    }

    /** @param  list<string>  $who */
    #[DataProvider('doors')]
    public function test_a_door_opens_to_whom_it_should(string $method, string $path, array $who): void
    {
        $this->account();

        foreach (self::ALL as $number) {
            $answer = $this->as($number)->call($method, $path);
            $this->assertSame(
                ! in_array($number, $who, true),
                $answer->getStatusCode() === 403,
                "{$number} at {$path}: {$answer->getStatusCode()}",
            );
            $this->assertLessThan(500, $answer->getStatusCode(), "{$number} at {$path}");
        }
    }

    public function test_nobody_comes_in_without_signing_in(): void
    {
        $this->account();
        Auth::logout();
        $this->flushSession();

        foreach (['/customers', '/accounts', '/accounts/1001', '/bank', '/statements'] as $path) {
            $this->get($path)->assertRedirect('/sign-in');
        }
    }

    public function test_an_account_there_is_not_is_not_found(): void
    {
        $this->as('301')->get('/accounts/9999')->assertNotFound();
        $this->get('/customers/9999')->assertNotFound();
        $this->get('/customers/abc')->assertNotFound();
        $this->get('/bank/9')->assertNotFound();
    }
}
