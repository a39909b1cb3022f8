<?php

declare(strict_types=1);

/*
 * Takes one picture of each main view, 1280×800. Arguments: the address, the folder.
 */

use Elmstone\Tests\Browser\Chromium;
use Elmstone\Tests\Browser\Clerk;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;

require __DIR__.'/../../vendor/autoload.php';

[, $address, $folder] = $argv;
$chromium = new Chromium;
$clerk = new Clerk($chromium->window(), $address);
$shot = static function (string $name) use (&$clerk, $folder): void {
    usleep(400_000);
    $clerk->browser->takeScreenshot("{$folder}/{$name}.png");
};

$clerk->signIn('301', 2)->go('/counter/new');

$clerk
    ->scan('12 x AD-0207', '3 x VA-2214', '2.4 x PI-2800', '250 x FX-5060', 'MA-0031')
    ->awaitText('#lines', 'Tile saw');
$clerk->type('#entry', '4 x lim*hook')->awaitText('#found', 'LH-1140');
$shot('counter-mid-sale');
$clerk->press(Key::ESCAPE, Key::ESCAPE);
$clerk->fill('.cell[name=price]', '12')->awaitText('#lines', 'A supervisor can approve');
$clerk->go('/counter')->alt('w');
$clerk->press('5', Key::ENTER)->awaitText('#sums', 'Discount');
$clerk->fill('#card', '100')->awaitText('#settle', '100.00 approved');
$clerk->fill('#cash', '450')->awaitText('#settle', 'Change')->ctrlEnter()->awaitText('#settle', 'Posted as');

$label = $clerk->text('#settle .note a');
$clerk->go('/accounts');
$shot('ageing');
$clerk->go('/accounts/1001');
$items = $clerk->browser->executeScript(
    'return [...document.querySelectorAll("a.code[href*=\\"/documents/INV\\"]")].slice(0, 3).map((a) => '
        .'[a.textContent, a.closest("tr").lastElementChild.textContent])',
);
$shot('account');
$clerk->go('/accounts/1001/payment');
$clerk->type('#reference', '004417'.Key::TAB);
// The page works it out again when a field is left.
usleep(800_000);
$clerk->fill('#amount', '999.60')->awaitText('.pay-sums', '999.60');
$shot('payment');
$bank = sys_get_temp_dir().'/elmstone-bank.xml';
file_put_contents($bank, bankFile($items));
$clerk->go('/bank');
$clerk->browser->findElement(WebDriverBy::id('file'))->sendKeys($bank);
$clerk->click('.main-act')->awaitText('h1', 'elmstone-bank');
unlink($bank);
$shot('bank');
$clerk->go('/counter/new')->scan($label)->awaitText('#returnable', 'Tile saw');
$clerk
    ->awaitFirstQuantity()
    ->press('2', Key::ENTER)
    ->awaitText('#returns', 'Coming back');
$clerk->scan('LH-1140', 'FX-5060')->awaitText('#lines', 'Going out');
$shot('exchange');
$clerk->go('/counter/new')->press('grout')->awaitText('#found', 'Families');
$clerk->press(Key::ENTER)->awaitText('#look', 'ivory');
$shot('family');
$clerk->go('/counter/new')->scan($label)->awaitText('#returnable', 'Tile saw');
$clerk
    ->awaitFirstQuantity()
    ->press('4', Key::ENTER)
    ->awaitText('#returns', 'Coming back');
$clerk->click('#refund-cash')->press(Key::ENTER)->awaitText('#settle .bar-svg', 'cash');
$clerk->ctrlEnter()->awaitText('#settle', 'Posted as');
$clerk
    ->go('/counter/new')
    ->type('#entry', 'rowena')
    ->awaitText('#found', 'Rowena')
    ->press(Key::ENTER)
    ->awaitText('#who', 'Rowena');
$clerk
    ->scan('MA-0057', '2 x AD-0207')
    ->awaitText('#lines', 'adhesive')
    ->click('#hold')
    ->awaitText('#hold-part', 'Layaway agreement');
$clerk->sign('#sign .pad')->click('#sign .keep')->awaitText('#sign', 'signed');
$clerk->fill('#cash', '60')->awaitText('#settle', 'Change');
$shot('counter-layaway');
$clerk->go('/orders?find=elderfen+bathrooms')->click('main tbody a.code')->awaitText('h1', 'Order');
$shot('order');
$clerk->go('/takings')->type('#day', 'yesterday');

foreach (
    [
        ['LH-1140', '2', '4.13', 'B-1041', 'Maren Holt'], ['AD-0207', '1', '7.00', 'B-1041', 'Maren Holt'],
        ['FX-50', '50', '10.50', 'B-1042', 'Ida Moss'], ['PI-2800', '3', '5.50', 'B-1043', ''],
    ] as $row => $cells
) {
    foreach (array_combine(['item', 'quantity', 'price', 'number', 'who'], $cells) as $name => $cell) {
        $clerk->type("[name=\"rows[{$row}][{$name}]\"]", $cell);
    }
}

$clerk->click('.takings ~ div button')->awaitText('.note', 'right and new');
$shot('takings');
$link = $clerk->go('/accounts/1001/statement')->text('.pay-link .link');
$friday = date('Y-m-d', (int) strtotime('last friday'));
$clerk->go("/day?day={$friday}");
$shot('day-sheet');
$clerk->browser->quit();

// At the small counter cards cost more; on the telephone the terminal compares where their holder lives.
$clerk = new Clerk($chromium->window(), $address);
$clerk->signIn('101', 4)->go('/counter/new');
$clerk->scan('MA-0031', '2 x LH-1140')->awaitText('#lines', 'hook');
$clerk->type('#entry', '1004')->awaitText('#found', 'Customers')->press(Key::ENTER)->awaitText('#who', 'Account 1004');
$clerk->click('[data-toggles="on-file"]')->click('#absent');
$clerk->type('#card_postcode', '04417')->type('#card_number_of_house', '7');
$clerk->click('#on-file form button')->awaitText('#settle', 'more,');
$shot('card-on-file');
$clerk->browser->quit();

// Who pays by the link on a paper, on their telephone.
$clerk = new Clerk($chromium->window(390, 844), $address);
$clerk->go('/'.substr($link, (int) strpos($link, 'pay/')))->awaitText('h1', 'Account');
$shot('pay-link');
$clerk->browser->quit();

// What the owner, the accountant and the auditor look at.
$clerk = new Clerk($chromium->window(), $address);
$clerk->signIn('901', 2);
$office = [
    'today' => '/today',
    'report' => '/reports/sales?period=last-month&by=department&compare=before',
    'trial-balance' => '/ledger',
    'settings' => '/settings',
    'running' => '/running',
];

foreach ($office as $name => $page) {
    $clerk->go($page);
    $shot($name);
}

$clerk->browser->quit();

/**
 * A statement of the bank with payments that name invoices, come from a known payer, and from nobody known.
 *
 * @param  list<array{string, string}>  $items numbers of invoices, and what is open on them
 */
function bankFile(array $items, string $currency = 'USD'): string
{
    $minor = static fn (string $amount): int => (int) preg_replace('/\D/', '', $amount);
    $sum = $minor($items[0][1]) + $minor($items[1][1]);
    $payments = [
        [
            sprintf('%d.%02d', intdiv($sum, 100), $sum % 100),
            'Quillfeather Joinery',
            "invoices {$items[0][0]} and {$items[1][0]}",
        ],
        ['250.00', 'MOSS AND DAUGHTER TILING', 'on account, thank you'],
        ['36.40', 'Tallow and Wick Stoves', 'stove pipes'],
        ['118.20', 'R. Underfoot', 'materials October'],
        ['640.00', 'Kitchen fitters', 'account 1010'],
    ];
    $day = date('Y-m-d');
    $entries = '';

    foreach ($payments as $i => [$amount, $payer, $text]) {
        $entries
            .= "<Ntry><Amt Ccy=\"{$currency}\">{$amount}</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts>"
            ."<BookgDt><Dt>{$day}</Dt></BookgDt><AcctSvcrRef>{$day}-"
            .bin2hex(random_bytes(3))
            ."-{$i}</AcctSvcrRef><NtryDtls><TxDtls><RltdPties><Dbtr><Pty><Nm>{$payer}</Nm></Pty></Dbtr></RltdPties>"
            ."<RmtInf><Ustrd>{$text}</Ustrd></RmtInf></TxDtls></NtryDtls></Ntry>";
    }

    return '<?xml version="1.0" encoding="UTF-8"?><Document '
        .'xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><GrpHdr><MsgId>1</MsgId>'
            ."<CreDtTm>{$day}T06:00:00</"
        ."CreDtTm></GrpHdr><Stmt><Id>{$day}</Id><Acct><Id><Othr><Id>0044107719</Id></Othr></Id>"
            ."</Acct>{$entries}</Stmt></BkToCstmrStmt></Document>";
}
