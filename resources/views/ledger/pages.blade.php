<div class="end">
    @foreach(array_filter([
        'ledger' => 'Trial balance', 'ledger.journal' => 'Journal', 'ledger.chart' => 'Chart of accounts',
        'ledger.entry' => auth()->user()->can('post-entries') ? 'Entry by hand' : null, 'ledger.years' => 'Years',
    ]) as $name => $words)<a class="quiet-act" href="{{ route($name) }}"
        @if(request()->routeIs($name)) aria-current="page" @endif>{{ $words }}</a>@endforeach
</div>
