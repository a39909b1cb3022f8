<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Display {{ $till->number }} · Elmstone</title><link rel="icon" href="/favicon.svg" type="image/svg+xml">
@vite(['resources/css/app.scss', 'resources/js/display.js'])</head>
<body>
<main class="display-page">
    <h1 class="visually-hidden">What you are buying</h1>
    @if($content->lines === [] && ! $content->thanks)
        <p class="empty">Welcome to {{ $shop->name }}</p>
    @else
        <table>@foreach($content->lines as $line)<tr><td class="figure pe-3">{{ $line['quantity'] }}</td>
        <td>{{ $line['description'] }}</td><td class="figure soft">{{ $line['each'] }}</td>
        <td class="figure">{{ $line['net'] }}</td></tr>@endforeach</table>
        <div class="sums"><div class="soft">tax {{ $content->tax }}@if($content->paid !== '')
        <br>paid {{ $content->paid }}@endif @if($content->change !== '')
        <br><b>change {{ $content->change }}</b>@elseif($content->paid !== '' && ! $content->thanks)
        <br>left {{ $content->left }}@endif</div><div class="sum">{{ $content->total }}</div></div>
        @if($content->thanks)<p class="thanks">Thank you. Until next time.</p>@endif
    @endif
</main>
</body>
</html>
