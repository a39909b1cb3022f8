@php($here = request()->path())
<nav class="sub" aria-label="Returns and credits">
    <a href="{{ route('gift-cards') }}" @if(str_starts_with($here, 'gift-cards')) aria-current="page"
        @endif>Gift cards</a>
    <a href="{{ route('store-credit') }}" @if(str_starts_with($here, 'store-credit')) aria-current="page"
        @endif>Store credit</a>
    <a href="{{ route('coupons') }}" @if(str_starts_with($here, 'coupons')) aria-current="page" @endif>Coupons</a>
    @can('write-off')<a href="{{ route('write-offs') }}" @if(str_starts_with($here, 'write-offs')) aria-current="page"
        @endif>Write-offs</a>@endcan
    @can('set-house-terms')<a href="{{ route('return-rules') }}" @if(str_starts_with($here, 'return-rules'))
        aria-current="page" @endif>Return rules</a>@endcan
</nav>
