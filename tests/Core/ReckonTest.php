<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;

/** bin/reckon as its users call it, its schemas, and the worked examples of docs/rules.md. */
final class ReckonTest extends CoreCase
{
    private const ROOT = __DIR__.'/../..';

    /** @return array{string, int} what it wrote, and how it exited */
    private static function reckon(string $input, string ...$options): array
    {
        $process = proc_open(
            [PHP_BINARY, self::ROOT.'/bin/reckon', ...$options],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
        );
        self::assertIsResource($process);
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $output = (string) stream_get_contents($pipes[1]);

        return [$output, proc_close($process)];
    }

    /** @return iterable<string, array{string, string}> request and answer */
    public static function workedExamples(): iterable
    {
        preg_match_all(
            '/```json\n(.+)\n(.+)\n```/',
            (string) file_get_contents(self::ROOT.'/docs/rules.md'),
            $found,
            PREG_SET_ORDER,
        );

        foreach ($found as $i => [, $request, $answer]) {
            yield "example {$i}" => [$request, $answer];
        }
    }

    #[DataProvider('workedExamples')]
    public function test_the_worked_examples_of_the_rules_are_right(string $request, string $answer): void
    {
        self::assertSame(["{$answer}\n", 0], self::reckon($request));
        self::assertValid($request, 'request');
        self::assertValid($answer, 'answer', $request);
    }

    public function test_there_are_worked_examples_for_every_request(): void
    {
        $requests = array_map(
            static fn (array $example): mixed => json_decode($example[0])->do,
            iterator_to_array(self::workedExamples()),
        );
        self::assertEqualsCanonicalizing(
            [
                'age', 'allocate', 'charge', 'consignment', 'forecast', 'landed', 'layaway', 'margin', 'markdown',
                'receive', 'return', 'rewards', 'schedule', 'settle', 'shares', 'slip', 'suggest', 'supply',
                'surcharge', 'till',
            ],
            array_values(array_unique($requests)),
        );
    }

    /** @return iterable<string, array{string, string, string}> request, code, path */
    public static function badRequests(): iterable
    {
        yield 'no JSON' => ['{', 'bad_json', ''];
        yield 'a list' => ['[]', 'bad_json', ''];
        yield 'nothing to do' => ['{}', 'missing', 'do'];
        yield 'an unknown thing to do' => ['{"do":"dance"}', 'unknown_request', 'do'];
        yield 'an unknown key' => ['{"do":"slip","currency":"USD","linse":[]}', 'unknown_key', 'linse'];
        yield 'a number for a string' => [
            '{"do":"slip","currency":"USD","lines":[{"id":"a","quantity":3,"unit_price":"1"}]}',
            'bad_type',
            'lines[0].quantity',
        ];
        $till = '{"do":"till","currency":"USD","float":"10.00","in":"0","out":"0",';
        yield 'more left in than counted' => ["{$till}\"left_in\":\"0.01\"}", 'left_in_too_large', 'left_in'];
        yield 'less than no coins' => [
            "{$till}\"counted\":[{\"unit\":\"0.25\",\"count\":-1}]}",
            'bad_count',
            'counted[0].count',
        ];
        yield 'half a coin' => [
            "{$till}\"counted\":[{\"unit\":\"0.25\",\"count\":0.5}]}",
            'bad_type',
            'counted[0].count',
        ];
        yield 'one coin counted twice' => [
            "{$till}\"counted\":[{\"unit\":\"1\",\"count\":1},{\"unit\":\"1.00\",\"count\":1}]}",
            'counted_twice',
            'counted',
        ];
        yield 'no such note' => [
            "{$till}\"counted\":[{\"unit\":\"5\",\"count\":1},{\"unit\":\"3\",\"count\":1}]}",
            'bad_denomination',
            'counted[1].unit',
        ];
        yield 'a float below zero' => [
            '{"do":"till","currency":"USD","float":"-1","in":"0","out":"0"}',
            'bad_amount',
            'float',
        ];
        $line = '"line":{"quantity":"2","gross":"1.00","line_discount":"0","slip_discount":"0"}';
        yield 'more supplied than ordered' => [
            "{\"do\":\"supply\",\"currency\":\"USD\",{$line},\"quantity\":\"3\"}",
            'more_than_left',
            'quantity',
        ];
        yield 'freight below nothing' => [
            '{"do":"landed","currency":"USD","freight":"-1","lines":[{"id":"a","quantity":"1","amount":"1"}]}',
            'below_zero',
            'freight',
        ];
        $marked = '{"do":"markdown","list":"1","days":1,"steps":[{"after":9,"percent":"10"}';
        yield 'a step before the one before' => [
            "{$marked},{\"after\":8,\"percent\":\"20\"}]}",
            'steps_out_of_order',
            'steps',
        ];
        yield 'more off than there is' => [
            "{$marked},{\"after\":10,\"percent\":\"100.5\"}]}",
            'bad_percent',
            'steps[1].percent',
        ];
        $surcharge = '{"do":"surcharge","currency":"USD","card":"a","amount":"1","rules":[{"card":"a","percent":"1"';
        yield 'two rules for a card' => [
            "{$surcharge}},{\"card\":\"a\",\"percent\":\"2\"}]}",
            'rule_twice',
            'rules[1].card',
        ];
        yield 'a cap below nothing' => ["{$surcharge},\"cap\":\"-1\"}]}", 'below_zero', 'rules[0].cap'];
        $rewards = '{"do":"rewards","currency":"USD","points_per_unit":"1","eligible":"1","reward":"1"';
        yield 'a reward for nothing' => ["{$rewards},\"threshold\":\"0\"}", 'bad_threshold', 'threshold'];
        yield 'half a point' => [
            "{$rewards},\"threshold\":\"1\",\"points_before\":\"0.5\"}",
            'bad_points',
            'points_before',
        ];
        $owner = '{"do":"consignment","currency":"USD","lines":[{"net":"1","percent":"60"';
        yield 'goods that go aside' => ["{$owner},\"direction\":\"aside\"}]}", 'bad_direction', 'lines[0].direction'];
        yield 'fees below nothing' => ["{$owner}}],\"fees\":\"-0.01\"}", 'below_zero', 'fees'];
        $shares = '{"do":"shares","currency":"USD","net":"1.00","shares":[';
        $third = static fn (string $person): string => "{\"person\":\"{$person}\",\"percent\":\"33.33\"}";
        yield 'three thirds of 33.33' => [
            "{$shares}{$third('a')},{$third('b')},{$third('c')}]}",
            'shares_not_whole',
            'shares',
        ];
        yield 'nobody sold it' => ["{$shares}]}", 'shares_not_whole', 'shares'];
        yield 'one person twice' => [
            "{$shares}{\"person\":\"a\",\"percent\":\"50\"},{\"person\":\"a\",\"percent\":\"50\"}]}",
            'shared_twice',
            'shares',
        ];
        yield 'a rate of nothing known' => [
            "{$shares}{\"person\":\"a\",\"percent\":\"100\",\"rate\":\"1\",\"of\":\"gross\"}]}",
            'unknown_base',
            'shares[0].of',
        ];
        yield 'a net below zero' => [
            '{"do":"shares","currency":"USD","net":"-1","shares":[{"person":"a","percent":"100"}]}',
            'below_zero',
            'net',
        ];
        yield 'a quantity of nothing' => [
            '{"do":"slip","currency":"USD","lines":[{"id":"a","quantity":"0","unit_price":"1"}]}',
            'bad_quantity',
            'lines[0].quantity',
        ];
        yield 'a price below zero' => [
            '{"do":"slip","currency":"USD","lines":[{"id":"a","quantity":"1","unit_price":"-1"}]}',
            'bad_price',
            'lines[0].unit_price',
        ];
        yield 'a price per dozen' => [
            '{"do":"slip","currency":"USD","lines":[{"id":"a","quantity":"1","unit_price":"1","price_per":12}]}',
            'bad_price_per',
            'lines[0].price_per',
        ];
        yield 'a discount above its line' => [
            '{"do":"slip","currency":"USD","lines":[{"id":"a","quantity":"1","unit_price":"1"'
            .',"discount":{"amount":"1.01"}}]}',
            'discount_too_large',
            'lines[0].discount',
        ];
        yield 'a discount above 100 %' => [
            '{"do":"slip","currency":"USD","lines":[{"id":"a","quantity":"1","unit_price":"1"'
            .',"discount":{"percent":"101"}}]}',
            'bad_percent',
            'lines[0].discount.percent',
        ];
        yield 'a slip discount above the slip' => [
            '{"do":"slip","currency":"USD","slip_discount":{"amount":"2.00"},"lines":[{"id":"a","quantity":"1"'
            .',"unit_price":"1"}]}',
            'discount_too_large',
            'slip_discount',
        ];
        yield 'a tax on top of a later one' => [
            '{"do":"slip","currency":"USD","tax":[{"id":"a","rate":"1","on_top_of":["b"]},{"id":"b","rate":"1"}]}',
            'bad_tax',
            'tax',
        ];
        yield 'exempt from what is not there' => [
            '{"do":"slip","currency":"USD","exempt":["z"]}',
            'bad_exemption',
            'exempt',
        ];
        yield 'more back than sold' => [
            '{"do":"return","currency":"USD","line":{"quantity":"2","net":"1.00"},"taken":[{"quantity":"1"'
            .',"net":"0.50"}],"quantity":"1.5"}',
            'more_than_left',
            'quantity',
        ];
        yield 'more came back than was sold' => [
            '{"do":"return","currency":"USD","line":{"quantity":"2","net":"1.00"},"taken":[{"quantity":"3"'
            .',"net":"0.50"}],"quantity":"1"}',
            'more_than_left',
            'taken[0]',
        ];
        yield 'a tax the line never had' => [
            '{"do":"return","currency":"USD","line":{"quantity":"2","net":"1.00"},"taken":[{"quantity":"1"'
            .',"net":"0.50","tax":{"moon":"0.01"}}],"quantity":"1"}',
            'unknown_component',
            'taken[0]',
        ];
        yield 'money and pieces at once' => [
            '{"do":"return","currency":"USD","line":{"quantity":"2","net":"1.00"},"quantity":"1","amount":"0.10"}',
            'bad_request',
            'amount',
        ];
        yield 'more money than was paid' => [
            '{"do":"return","currency":"USD","line":{"quantity":"2","net":"1.00"},"amount":"1.01"}',
            'more_than_paid',
            'amount',
        ];
        yield 'a coupon below its least spend' => [
            '{"do":"slip","currency":"USD","coupons":[{"id":"A"'
            .',"reduction":{"percent":"5"},"least_spend":"1.01"}],"lines":[{"id":"a","quantity":"1"'
            .',"unit_price":"1"}]}',
            'coupon_least_spend',
            'coupons[0]',
        ];
        yield 'half a cent' => ['{"do":"settle","currency":"USD","total":"1.005"}', 'bad_amount', 'total'];
        yield 'too much on card' => [
            '{"do":"settle","currency":"USD","total":"1.00","tenders":[{"kind":"card","amount":"1.01"}]}',
            'over_tendered',
            'tenders',
        ];
        yield 'an unknown tender' => [
            '{"do":"settle","currency":"USD","total":"1.00","tenders":[{"kind":"shells","amount":"1.00"}]}',
            'bad_tender',
            'tenders[0].kind',
        ];
        yield 'no such day' => [
            '{"do":"schedule","currency":"USD","principal":"1.00","count":1,"first_due":"2027-02-30","rhythm":"month"}',
            'bad_date',
            'first_due',
        ];
        yield 'no instalments' => [
            '{"do":"schedule","currency":"USD","principal":"1.00","count":0,"first_due":"2027-02-01","rhythm":"month"}',
            'bad_count',
            'count',
        ];
        yield 'an item that is neither' => [
            '{"do":"age","currency":"USD","as_of":"2027-01-31","items":[{"id":"a","kind":"gift","date":"2027-01-01"'
            .',"open":"1.00"}]}',
            'bad_kind',
            'items[0].kind',
        ];
        yield 'a charge that is never due' => [
            '{"do":"age","currency":"USD","as_of":"2027-01-31","items":[{"id":"a","date":"2027-01-01","open":"1.00"}]}',
            'missing',
            'items[0].due',
        ];
        yield 'an item open below zero' => [
            '{"do":"age","currency":"USD","as_of":"2027-01-31","items":[{"id":"a","date":"2027-01-01"'
            .',"due":"2027-01-01","open":"-1.00"}]}',
            'bad_amount',
            'items[0].open',
        ];
        yield 'a payment below zero' => ['{"do":"allocate","currency":"USD","amount":"-1.00"}', 'bad_amount', 'amount'];
        yield 'an item twice' => [
            '{"do":"allocate","currency":"USD","amount":"1.00","items":[{"id":"a","date":"2027-01-01"'
            .',"due":"2027-01-01","open":"1.00"},{"id":"a","date":"2027-01-01","due":"2027-01-01","open":"1.00"}]}',
            'bad_item',
            'items[1].id',
        ];
        yield 'a suggestion for less than nothing' => [
            '{"do":"suggest","currency":"USD","amount":"-1.00"}',
            'bad_amount',
            'amount',
        ];
        yield 'a charge below zero' => [
            '{"do":"charge","currency":"USD","amount":"-1.00","account":{"limit":"1.00","balance":"0.00"}}',
            'bad_amount',
            'amount',
        ];
        yield 'a limit below zero' => [
            '{"do":"charge","currency":"USD","amount":"1.00","account":{"limit":"-1.00","balance":"0.00"}}',
            'bad_limit',
            'account.limit',
        ];
        yield 'more than can be written down' => [
            '{"do":"slip","currency":"USD","lines":[{"id":"a","quantity":"9999999999","unit_price":"9999999999"}]}',
            'too_large',
            'lines',
        ];
    }

    #[DataProvider('badRequests')]
    public function test_bad_requests_say_what_is_wrong_and_where(string $request, string $code, string $path): void
    {
        [$output, $exit] = self::reckon($request);
        $error = json_decode($output)->error ?? null;
        self::assertSame([2, $code, $path], [$exit, $error?->code, $error?->path], $output);
        self::assertNotSame('', $error?->message);
        self::assertValid($output, 'error', '{"do":"slip"}');
    }

    public function test_many_requests_one_a_line_are_answered_in_order(): void
    {
        [$output, $exit] = self::reckon(
            '{"do":"margin","currency":"USD","net":"1.00","cost":"0.00"}'
                ."\n{bad\n"
                .'{"do":"margin","currency":"JPY","net":"3","cost":"2"}'
                ."\n",
            '--lines',
        );
        $answers = array_map(static fn (string $line): mixed => json_decode($line), explode("\n", trim($output)));
        self::assertSame(0, $exit);
        self::assertSame(
            ['1.00', null, '1'],
            array_map(static fn ($answer): ?string => $answer->margin ?? null, $answers),
        );
        self::assertSame('bad_json', $answers[1]->error->code);
    }

    private static function assertValid(string $json, string $definition, ?string $request = null): void
    {
        $do = json_decode($request ?? $json)->do;
        $schema = json_decode((string) file_get_contents(self::ROOT."/docs/reckon/{$do}.json"));
        $data = json_decode($json);
        $validator = new Validator;
        $validator->validate(
            $data,
            (object) [
                'definitions' => $schema->definitions,
                'allOf' => [(object) ['$ref' => "#/definitions/{$definition}"]],
            ],
        );
        self::assertTrue($validator->isValid(), json_encode($validator->getErrors(), JSON_THROW_ON_ERROR));
    }
}
