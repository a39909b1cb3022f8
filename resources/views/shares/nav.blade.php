<nav class="sub" aria-label="Who sold what">
    <a href="{{ route('shares') }}" @if(request()->routeIs('shares', 'shares.show')) aria-current="page" @endif>Who sold
        what</a>
    @can('manage-shares')<a href="{{ route('shares.rates') }}" @if(request()->routeIs('shares.rates*'))
        aria-current="page" @endif>Commission rates</a>@endcan
</nav>
