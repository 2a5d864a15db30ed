// titles are set by `ui/title`, so the router's head manager stays out of the first download
const Head = () => null
Head.Provider = ({ children }) => children
exports.Head = Head
