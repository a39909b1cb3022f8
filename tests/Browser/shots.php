<?php

declare(strict_types=1);

/*
 * Takes one picture of each main view, 1280×800. Arguments: the address, the folder.
 */

use Elmstone\Tests\Browser\Chromium;
use Elmstone\Tests\Browser\Clerk;
use Facebook\WebDriver\WebDriverKeys as Key;

require __DIR__.'/../../vendor/autoload.php';

[, $address, $folder] = $argv;
$chromium = new Chromium;
$clerk = new Clerk($chromium->window(), $address);
$shot = static function (string $name) use ($clerk, $folder): void {
    usleep(400_000);
    $clerk->browser->takeScreenshot("{$folder}/{$name}.png");
};

$clerk->go('/sign-in');
$shot('sign-in');
$clerk->signIn('301', 2)->go('/counter/new');
$shot('counter-empty');

$clerk->scan('12 x AD-0207', '3 x VA-2214', '2.4 x PI-2800', '250 x FX-5060', 'MA-0031')->awaitText('#lines', 'Tile saw');
$clerk->type('#entry', '4 x lim*hook')->awaitText('#found', 'LH-1140');
$shot('counter-mid-sale');
$clerk->press(Key::ESCAPE, Key::ESCAPE);
$clerk->fill('.cell[name=price]', '12')->awaitText('#lines', 'A supervisor can approve');
$shot('counter-approval');
$clerk->go('/counter')->alt('w');
$clerk->press('5', Key::ENTER)->awaitText('#sums', 'Discount');
$clerk->fill('#card', '100')->awaitText('#settle', '100.00 approved');
$clerk->fill('#cash', '400')->awaitText('#settle', 'is left to pay');
$shot('counter-settling');
$clerk->fill('#cash', '450')->awaitText('#settle', 'Change')->ctrlEnter()->awaitText('#settle', 'Posted as');
$shot('counter-posted');

$label = $clerk->text('#settle .note a');
$clerk->go("/documents/{$label}");
$shot('document');
$clerk->go("/documents/{$label}/receipt");
$shot('receipt');
$clerk->go("/documents/{$label}/invoice");
$shot('invoice');
$clerk->go('/documents');
$shot('register');
$clerk->go('/items?find=brass*valve');
$shot('items');
$clerk->go('/items/FX-5060');
$shot('item');
$clerk->go('/devices');
$shot('devices');
$clerk->browser->quit();
