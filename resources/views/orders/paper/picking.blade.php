@use('Elmstone\Catalogue\Unit')
@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Picking list {$order->label}"])</head>
<body class="{{ ($pdf ?? false) ? 'sheet' : 'roll' }}">
<h1>Picking list</h1><p><b>{{ $order->label }}</b></p>
<p>{{ $order->customer->name }}{{ $order->wanted_on === null ? '' : ', wanted '.Show::date($order->wanted_on) }}</p>
@if($order->note !== '')<p>{{ $order->note }}</p>@endif
<div class="rule"></div>
@foreach($order->lines()->filter(fn ($line) => ! $line->isFee() && $order->at($line->position)->left()->isPositive())
    ->sortBy(fn ($line) => [$line->item->shelf ?? '', $line->code]) as $line)
    @php($progress = $order->at($line->position))
    <table><tr><td><b>{{ Show::decimal($progress->mayLeave()) }}</b>
        of {{ Show::decimal($progress->left()) }}{{ Unit::from($line->unit)->mark() }} ×
        {{ $line->description }}<br><span
            class="under code">{{ $line->code }}{{ ($line->item->shelf ?? '') === '' ? ''
                : " · shelf {$line->item->shelf}" }}</span></td>
    <td class="r">@include('paper.barcode', ['code' => $line->item->barcode ?? $line->code])</td></tr></table>
@endforeach
<div class="rule"></div>
<div class="centre">@include('paper.barcode', ['code' => $order->label])<p class="code">{{ $order->label }}</p></div>
</body>
</html>
